import { writeFileSync } from "node:fs";
import { challengePackSchema } from "./src/schemas/index.ts";

/** npm run formats: writes the open formats' JSON Schemas anew from the schemas that the server checks by. */
const file = new URL("../docs/formats/challenge-pack.schema.json", import.meta.url);
writeFileSync(file, `${JSON.stringify(challengePackSchema(), null, 2)}\n`);
