export type { Api } from "./app.ts";
