import { resolve } from "node:path";
import { clockFrom } from "@lampcrate/server";
import { loadDemo } from "./index.ts";

const data = process.env["LAMPCRATE_DATA"];
if (data === undefined) throw new Error("LAMPCRATE_DATA names the folder to load the demo into.");

await loadDemo(
  resolve(data),
  clockFrom(process.env["LAMPCRATE_NOW"])(),
  process.env["LAMPCRATE_URL"] ?? `http://localhost:${process.env["PORT"] ?? 8150}`,
);
console.log("Loaded the demo: Storm Season Builds at Quillmarsh Hall.");
