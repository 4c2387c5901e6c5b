import { describe, expect, it } from "vitest";
import { fileText } from "../src/index.ts";

const words = "Crêpe paper; 1,50 €";

describe("the text of a file", () => {
  it.each([
    ["UTF-8", Buffer.from(words, "utf8")],
    ["UTF-8 with its mark", Buffer.from(`\ufeff${words}`, "utf8")],
    ["UTF-16", Buffer.from(`\ufeff${words}`, "utf16le")],
    ["UTF-16, the other way round", Buffer.from(`\ufeff${words}`, "utf16le").swap16()],
  ])("is what was saved, as %s", (_, bytes) => {
    expect(fileText(new Uint8Array(bytes))).toBe(words);
  });

  // The euro sign there is left to browsers: Node 20 decodes Windows-1252 as Latin-1.
  it("is read as Windows-1252 where it is no UTF-8", () => {
    expect(fileText(new Uint8Array(Buffer.from("Crêpe paper; ½ m", "latin1")))).toBe("Crêpe paper; ½ m");
  });

  it("of nothing is nothing", () => {
    expect(fileText(new Uint8Array())).toBe("");
  });
});
