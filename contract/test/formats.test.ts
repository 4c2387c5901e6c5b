import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { challengePackSchema } from "../src/schemas/index.ts";

describe("the formats in docs", () => {
  it("are those that the schemas give: npm run formats writes them anew", () => {
    const file = new URL("../../docs/formats/challenge-pack.schema.json", import.meta.url);
    expect(JSON.parse(readFileSync(file, "utf8"))).toEqual(JSON.parse(JSON.stringify(challengePackSchema())));
  });
});
