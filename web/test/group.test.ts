// @vitest-environment jsdom
import type { SheetDoc } from "@lampcrate/contract";
import { asFamily, families, familyAs, type Outcomes, runFindings, startValues } from "@lampcrate/core";
import { beforeEach, describe, expect, it } from "vitest";
import { columnsOf, variedFields } from "../home/group/columns.ts";
import {
  type GroupDraft,
  keepSentGroup,
  keptGroup,
  newGroup,
  saveGroup,
  sentGroups,
  unsentGroups,
  withBlock,
  withCell,
} from "../home/group/draft.ts";
import { groupOf, readGroup } from "../home/group/read.ts";

const { descent } = families;
const brief = { spec: startValues(descent.spec), design: startValues(descent.design), trials: 8, outcomes: asFamily };
const sheet = { code: "REED LANTERN OTTER 472", brief } as unknown as SheetDoc;

/** A sheet of two versions whose lines have these cells. */
const draftOf = (cells: readonly Readonly<Record<string, string>>[], patch: Partial<GroupDraft> = {}): GroupDraft => {
  const fresh = newGroup(2);
  return { ...fresh, ...patch, lines: fresh.lines.map((line, i) => ({ ...line, cells: cells[i] ?? {} })) };
};

describe("a leader's sheet on the device", () => {
  beforeEach(() => localStorage.clear());

  it("has room for every trial of a version, for the bare test before them, and for what varied where that is said", () => {
    const columns = columnsOf(descent, sheet.brief, { versions: 2, varied: null, bare: true });
    expect(columns.map(({ id }) => id)).toEqual(
      [0, 1, 2].flatMap((version) => [1, 2, 3, 4, 5, 6, 7, 8].map((trial) => `${version}.${trial}`)),
    );
    expect(columnsOf(descent, sheet.brief, { versions: 1, varied: "sizeM", bare: false })[0]).toMatchObject({
      id: "1.v",
      trial: null,
      unit: "cm",
    });
    expect(variedFields(descent, brief as unknown as SheetDoc["brief"]).map(({ id }) => id)).toContain("sizeM");
    // A challenge without one has none, whatever was ticked.
    const span = { ...brief, spec: startValues(families.span.spec) } as unknown as SheetDoc["brief"];
    expect(columnsOf(families.span, span, { versions: 1, varied: null, bare: true })[0]?.id).toBe("1.1");
  });

  it("sends the bare test as such, of which nothing is declared", () => {
    const { rows, asked } = readGroup(sheet, descent, draftOf([{ "0.1": "0.8", "1.1": "1.2" }]));
    expect(asked).toEqual([]);
    expect(rows[0]?.versions.map(({ role, trials }) => [role, trials[0]?.raw])).toEqual([
      ["control", "0.8"],
      ["build", "1.2"],
    ]);
    expect(rows[0]?.versions[0]?.variables).toEqual({});
    const without = readGroup(sheet, descent, draftOf([{ "0.1": "0.8", "1.1": "1.2" }], { bare: false }));
    expect(without.rows[0]?.versions.map(({ role }) => role)).toEqual(["build"]);
  });

  it("leaves out builders without a result, and keeps the number of each other's row", () => {
    const { rows, asked } = readGroup(sheet, descent, draftOf([{ "1.1": "1.2" }, {}, { "2.1": "1.4", "2.2": "x" }]));
    expect(asked).toEqual([]);
    expect(rows.map(({ row, versions }) => [row, versions.map(({ trials }) => trials.map(({ outcome, raw }) => [outcome, raw]))])).toEqual([
      [1, [[["number", "1.2"]]]],
      [
        3,
        [
          [
            ["number", "1.4"],
            ["failed", null],
          ],
        ],
      ],
    ]);
  });

  it("declares what varied, and of a change nobody named nothing, so that it is no repeat of the first", () => {
    const cells = { "1.1": "1.2", "1.2": "1.3", "2.1": "1.6", "2.2": "1.7" };
    const kindOf = (draft: GroupDraft): string | undefined => {
      const [row] = readGroup(sheet, descent, draft).rows;
      const versions = (row?.versions ?? []).map(({ role, variables, place, trials }, number) => ({
        number,
        role,
        variables,
        place,
        instrument: "hand stopwatch",
        trials: trials.map(({ raw }) => ({ kind: "number" as const, value: Number(raw) })),
      }));
      return runFindings(descent, brief.spec, [{ id: "one", alias: "One", versions }]).comparisons[0]?.result.comparison.kind;
    };
    expect(kindOf(draftOf([{ ...cells, "2.v": "60 cm" }], { varied: "sizeM" }))).toBe("fair test");
    expect(kindOf(draftOf([cells]))).not.toBe("repeat");
  });

  it("asks about what can't be read and what is odd, each at its cell; what is kept is sent so and not asked about again", () => {
    const draft = draftOf([{ "1.1": "cat", "1.2": "0.02" }], { varied: "kind" });
    const named = { ...draft, lines: draft.lines.map((line, i) => (i === 0 ? withCell(line, ["1.v", "a kite"]) : line)) };
    const { asked } = readGroup(sheet, descent, named);
    expect(asked.map(({ line, column, trouble }) => [line, column.id, trouble === null])).toEqual([
      [0, "1.v", false],
      [0, "1.1", false],
      [0, "1.2", true],
    ]);
    const kept = { ...draft, lines: draft.lines.map((line, i) => (i === 0 ? { ...line, cells: { "1.2": "0.02" }, kept: ["1.2"] } : line)) };
    const again = readGroup(sheet, descent, kept);
    expect([again.asked, again.rows[0]?.versions[0]?.trials[0]?.kept]).toEqual([[], true]);
    // Written anew, it is asked about again.
    expect(kept.lines.map((line) => withCell(line, ["1.2", "0.03"]).kept)[0]).toEqual([]);
  });

  it("takes a block in from a cell on, makes lines for it, and leaves out what is more than a sheet takes", () => {
    const fresh = newGroup(2);
    const { lines } = fresh;
    const block = Array.from({ length: 70 }, (_, i) => [["1.1", String(i)]] as const);
    const put = withBlock(fresh, 2, block);
    expect([put.lines.length, put.left, put.lines[1]?.cells, put.lines[2]?.cells, put.lines[59]?.cells]).toEqual([
      60,
      12,
      {},
      { "1.1": "0" },
      { "1.1": "57" },
    ]);
    expect(lines).toHaveLength(30);
  });

  it("is the same when it is opened again, counts as unsent while something stands in it, and sends no word of who it is", () => {
    const draft = draftOf([{ "1.1": "1.2" }], { keep: true });
    const named = { ...draft, lines: draft.lines.map((line, i) => (i === 0 ? withCell(line, ["mark", "Otter Jo"]) : line)) };
    expect(unsentGroups()).toBe(0);
    saveGroup(sheet.code, newGroup(2));
    expect(unsentGroups()).toBe(0);
    saveGroup(sheet.code, named);
    expect([unsentGroups(), keptGroup(sheet.code)]).toEqual([1, named]);
    const { rows } = readGroup(sheet, descent, named);
    expect(JSON.stringify(groupOf(named, rows))).not.toContain("Otter Jo");
    saveGroup(sheet.code, { ...named, sent: { "1": "Misty Heron" } });
    expect(unsentGroups()).toBe(0);
    expect(sentGroups(sheet.code)).toEqual([{ secret: named.secret, builders: 1 }]);
    // Another sheet in its place: its link stays on the device.
    keepSentGroup(sheet.code, { ...named, sent: { "1": "Misty Heron" } });
    saveGroup(sheet.code, newGroup(2));
    expect(sentGroups(sheet.code)).toEqual([{ secret: named.secret, builders: 1 }]);
    // From before the bare test and what is the same for everyone stood on it: it looks as it did.
    const { bare: _, everyone: __, ...older } = named;
    saveGroup("older", older as unknown as GroupDraft);
    expect([keptGroup("older")?.bare, keptGroup("older")?.everyone]).toEqual([false, {}]);
    localStorage.setItem("lampcrate-group-x", "{}");
    expect(keptGroup("x")).toBeNull();
  });
});

describe("a leader's sheet where each trial has a setting of its own", () => {
  const rungs = { kind: "rungs", steps: ["whole", "cracked", "broken"], asked: 1 } as const;
  const outcomes: Outcomes = { ...asFamily, main: rungs, setting: "goalM", further: ["buildMass"] };
  const spec = startValues(families.landing.spec);
  const landing = familyAs(families.landing, outcomes);
  const ladder = {
    code: "EAGER REED OTTER 1",
    brief: { spec, design: startValues(landing.design), trials: 2, outcomes },
  } as unknown as SheetDoc;
  const read = (cells: Readonly<Record<string, string>>, everyone: Readonly<Record<string, string>> = {}) =>
    readGroup(ladder, landing, draftOf([cells], { versions: 1, everyone }));

  it("has a column before each result for it, and one for what else is measured of a version", () => {
    const columns = columnsOf(landing, ladder.brief, { versions: 1, varied: null, bare: true });
    expect(columns.map(({ id, holds, unit }) => [id, holds, unit])).toEqual([
      ["1.1.s", "setting", "m"],
      ["1.1", "result", null],
      ["1.2.s", "setting", "m"],
      ["1.2", "result", null],
      ["1.b.buildMass", "beside", "g"],
    ]);
  });

  it("goes by everyone's where a builder's own line says nothing, and sends what else was measured once", () => {
    const { rows, asked } = read({ "1.1": "whole", "1.2.s": "2 m", "1.2": "3", "1.b.buildMass": "85" }, { "1.1.s": "1.6", "1.2.s": "1.8" });
    expect(asked).toEqual([]);
    expect(rows[0]?.versions[0]?.trials.map(({ outcome, rung, setting, further }) => [outcome, rung, setting, further])).toEqual([
      ["rung", 0, "1.6", { buildMass: "85" }],
      ["rung", 2, "2 m", {}],
    ]);
  });

  it("asks at the setting's own cell where it is missing or can't be read, and once where it is everyone's", () => {
    const at = ({ asked }: ReturnType<typeof read>) => asked.map(({ line, column, trouble }) => [line, column.id, trouble !== null]);
    expect(at(read({ "1.1": "whole" }))).toEqual([[0, "1.1.s", true]]);
    expect(at(read({ "1.1": "whole", "1.1.s": "high" }))).toEqual([[0, "1.1.s", true]]);
    expect(at(read({ "1.1": "whole" }, { "1.1.s": "high" }))).toEqual([[-1, "1.1.s", true]]);
    expect(at(read({ "1.1": "whole", "1.1.s": "1", "1.b.buildMass": "a feather" }))).toEqual([[0, "1.b.buildMass", true]]);
    // A setting alone is no result.
    expect(read({ "1.1.s": "1.6" }, { "1.2.s": "2" })).toEqual({ rows: [], asked: [] });
  });

  it("says a choice by its words", () => {
    const kinds: Outcomes = { ...outcomes, setting: "side" };
    const bySide = familyAs(families.landing, kinds);
    const field = bySide.measures(spec)[0].setting;
    if (field?.kind !== "choice") throw new Error("the side is a choice");
    const [, other] = field.options;
    const draft = draftOf([{ "1.1.s": ` ${other?.words.toUpperCase()} `, "1.1": "whole" }], { versions: 1 });
    const of = { ...ladder, brief: { ...ladder.brief, outcomes: kinds } } as SheetDoc;
    expect(readGroup(of, bySide, draft).rows[0]?.versions[0]?.trials[0]?.setting).toBe(other?.id);
    const wrong = draftOf([{ "1.1.s": "the cellar", "1.1": "whole" }], { versions: 1 });
    expect(readGroup(of, bySide, wrong).asked[0]?.trouble).toContain(other?.words);
  });

  it("takes a block in at everyone's line, whose other cells go nowhere", () => {
    const put = withBlock(newGroup(1), -1, [
      [
        ["1.1.s", "1.6"],
        ["1.1", "whole"],
      ],
      [["1.1", "cracked"]],
    ]);
    expect([put.everyone, put.lines[0]?.cells]).toEqual([{ "1.1.s": "1.6" }, { "1.1": "cracked" }]);
  });
});
