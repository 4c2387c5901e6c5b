import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { isOddLine, isOddText } from "../src/index.ts";

describe("text that can be seen", () => {
  it.each(["Storm-Proof Nest", "Ça va, Zoë?", "¼ kg", "Καλή", "纸飞机", "می‌خواهم", "क्‍ष", "👩‍🚀", "tab is no line", "", "naïve – “quoted”"])(
    "“%s” is plain",
    (text) => {
      expect([isOddLine(text), isOddText(text)]).toEqual([false, false]);
    },
  );

  it.each([
    ["NUL", "a\u0000b"],
    ["an escape", "a\u001b[31m"],
    ["a turn of direction", "a\u202eb"],
    ["an isolate", "a\u2066b"],
    ["no width at all", "a\u200bb"],
    ["a joiner between Latin letters", "ad\u200dmin"],
    ["a joiner at the end", "admin\u200c"],
    ["a soft hyphen", "ad\u00admin"],
    ["a mark of byte order", "\ufeffadmin"],
    ["half a character", "a\ud800"],
  ])("%s is not", (_, text) => {
    expect([isOddLine(text), isOddText(text)]).toEqual([true, true]);
  });

  it("of several lines may have line ends and tabs; of one line not", () => {
    expect([isOddText("a\n\tb\r\n"), isOddLine("a\nb"), isOddLine("a\tb")]).toEqual([false, true, true]);
  });

  it("says the same of everyday text as the whole look does", () => {
    fc.assert(fc.property(fc.string({ unit: "grapheme-ascii" }), (text) => !isOddLine(text)));
  });
});
