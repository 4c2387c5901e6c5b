import type { SheetDoc } from "@lampcrate/contract";
import { families, startValues } from "@lampcrate/core";
import { describe, expect, it } from "vitest";
import { entryOf, newDraft } from "../home/logbook/draft.ts";
import { answersTo, rulesAsked } from "../home/rules.ts";
import { blankVersion, filledVersions } from "../shared/logbook/versions.ts";

const { descent, span } = families;
const spec = startValues(descent.spec);
const brief = { spec, design: startValues(descent.design), trials: 3 };

describe("a logbook on the device", () => {
  it("starts from the brief's plain build, and what is declared stays so from version to version; the bare test declares nothing", () => {
    const [bare, first] = newDraft(descent, brief).versions;
    expect(bare?.variables).toEqual({});
    expect(first?.variables).toMatchObject({ kind: brief.design["kind"], sizeM: brief.design["sizeM"] });
    expect(blankVersion(descent, brief, 3, "build", bare).variables).toEqual(first?.variables);
  });

  it("starts with the bare test where the family has one, and an id and a secret nobody can guess", () => {
    expect(newDraft(descent, brief).versions.map((v) => v.role)).toEqual(["control", "build"]);
    expect(
      newDraft(span, { spec: startValues(span.spec), design: startValues(span.design), trials: 3 }).versions.map((v) => v.role),
    ).toEqual(["build"]);
    const [a, b] = [newDraft(descent, brief), newDraft(descent, brief)];
    expect(a.secret).toMatch(/^[A-Za-z0-9_-]{32}$/);
    expect([a.id === b.id, a.secret === b.secret]).toEqual([false, false]);
  });

  it("sends only what has something in it, and the same thing each time", () => {
    const draft = newDraft(descent, brief);
    const version = blankVersion(descent, brief, 3, "build");
    const [first] = version.trials;
    if (!first) throw new Error("a version has trials");
    const filled = {
      ...draft,
      versions: [...draft.versions, { ...version, trials: [{ ...first, raw: "1.2" }, { ...first, seen: ["hard"] }, first] }],
    };
    expect(filledVersions(filled.versions).map((v) => v.trials.length)).toEqual([2]);
    // The very thing on a device that was closed and opened again: sending twice makes one entry.
    const again = JSON.parse(JSON.stringify(filled)) as typeof filled;
    expect(entryOf(again)).toEqual({
      id: draft.id,
      secret: draft.secret,
      ageBand: null,
      consentKeep: false,
      consentPhoto: false,
      consentVersion: "en-1",
      said: "",
      tokens: [],
      timer: null,
      answers: [],
      versions: [
        {
          ...version,
          trials: [
            { ...first, raw: "1.2" },
            { ...first, outcome: "failed", seen: ["hard"] },
          ],
        },
      ],
    });
  });

  it("keeps answers to the rules as this sheet asks them; what was read in another language is asked again", () => {
    const sheet = (answered: boolean) =>
      ({
        brief: { outcomes: { answered }, rules: [{ words: "Is it an owl?" }] },
        words: { rules: ["Was it let go, not thrown?"] },
      }) as unknown as SheetDoc;
    const answers = ["Is it an owl?", "¿Se soltó, sin lanzarla?", "Was it let go, not thrown?"].map((rule) => ({ rule, yes: true }));
    expect(answersTo(sheet(true), answers).map(({ rule }) => rule)).toEqual(["Is it an owl?", "Was it let go, not thrown?"]);
    expect([rulesAsked(sheet(false)), answersTo(sheet(false), answers)]).toEqual([[], []]);
  });

  it("the next version keeps what was declared, but not the numbers", () => {
    const before = {
      ...blankVersion(descent, brief, 3, "build"),
      variables: { kind: "spinner", sizeM: 0.09 },
      madeOf: "paper",
      pictures: [],
      guess: "2",
    };
    const next = blankVersion(descent, brief, 3, "build", before);
    expect(next).toMatchObject({ variables: before.variables, madeOf: "paper", guess: null, changed: "" });
    expect(next.trials.every((t) => t.raw === null)).toBe(true);
  });
});
