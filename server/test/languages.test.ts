import { inLanguage, several } from "@lampcrate/core";
import { languageIds } from "@lampcrate/words";
import { allLanguages } from "@lampcrate/words/all";
import { describe, expect, it } from "vitest";
import { everyText } from "./everyText.ts";

const texts = everyText();
const counted = (text: string): string => text.replace(/(?<![\w{])\d+(?!\w)/g, "{#}");
const used = new Set([...texts].flatMap((text) => [text, counted(text)]));

/** What is put into a text, by its places: holes, a brief's numbers, whole numbers; what stands in a plural's words is a text's own. */
function placesOf(text: string): readonly string[] {
  const outer = [...text.matchAll(/(?<!(?:one|other) )\{([\w#]*)(?:\}|, plural)/g)].map(([, name = ""]) => name);
  return outer.sort();
}

describe.each(languageIds.filter((id) => id !== "en"))("families are spoken to in %s", (id) => {
  const { said, consents, plural } = allLanguages[id];

  it("says every text there is, and none that nobody says any more", () => {
    expect([...texts].filter((text) => said[text] === undefined && said[counted(text)] === undefined)).toEqual([]);
    expect(Object.keys(said).filter((text) => !used.has(text))).toEqual([]);
  });

  it("puts into each text what is put into its English", () => {
    const wrong = Object.entries(said).filter(([text, words]) => placesOf(words).join() !== placesOf(text).join());
    expect(wrong).toEqual([]);
  });

  it("begins and ends as its English does, so that texts can stand side by side", () => {
    const edge = (text: string): string => `${/^\s/.test(text)} ${/[.?!]$/.exec(text)?.[0] ?? ""}`;
    expect(Object.entries(said).filter(([text, words]) => edge(words) !== edge(text))).toEqual([]);
  });

  it("has its own words to agree to, under its own name", () => {
    for (const version of Object.keys(consents)) expect(version).toMatch(new RegExp(`^${id}-\\d+$`));
  });

  it("knows several of each thing that is counted", () => {
    inLanguage(allLanguages[id], () => expect(several("M8 washer")).not.toBe("M8 washers"));
    expect(plural("x")).not.toBe("x");
  });
});
