// @vitest-environment jsdom
import type { SheetDoc } from "@lampcrate/contract";
import { asFamily, families, runFindings, startValues } from "@lampcrate/core";
import { beforeEach, describe, expect, it } from "vitest";
import { columnsOf, fitsCells, variedFields } from "../home/group/columns.ts";
import {
  type GroupDraft,
  keepGroup,
  keepSentGroup,
  keptGroup,
  newGroup,
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

  it("has room for six trials of a version at most, and for what varied where that is said", () => {
    expect(columnsOf(sheet, { versions: 2, varied: null }).map(({ id }) => id)).toEqual(
      [1, 2].flatMap((version) => [1, 2, 3, 4, 5, 6].map((trial) => `${version}.${trial}`)),
    );
    expect(columnsOf(sheet, { versions: 1, varied: "sizeM" })[0]).toEqual({ id: "1.v", version: 1, trial: null });
    expect(variedFields(descent, brief as unknown as SheetDoc["brief"]).map(({ id }) => id)).toContain("sizeM");
    expect(fitsCells(descent.measures(brief.spec)[0])).toBe(true);
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
    const { lines } = newGroup(2);
    const block = Array.from({ length: 70 }, (_, i) => [["1.1", String(i)]] as const);
    const put = withBlock(lines, 2, block);
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
    keepGroup(sheet.code, newGroup(2));
    expect(unsentGroups()).toBe(0);
    keepGroup(sheet.code, named);
    expect([unsentGroups(), keptGroup(sheet.code)]).toEqual([1, named]);
    const { rows } = readGroup(sheet, descent, named);
    expect(JSON.stringify(groupOf(named, rows))).not.toContain("Otter Jo");
    keepGroup(sheet.code, { ...named, sent: { "1": "Misty Heron" } });
    expect(unsentGroups()).toBe(0);
    expect(sentGroups(sheet.code)).toEqual([{ secret: named.secret, builders: 1 }]);
    // Another sheet in its place: its link stays on the device.
    keepSentGroup(sheet.code, { ...named, sent: { "1": "Misty Heron" } });
    keepGroup(sheet.code, newGroup(2));
    expect(sentGroups(sheet.code)).toEqual([{ secret: named.secret, builders: 1 }]);
    localStorage.setItem("lampcrate-group-x", "{}");
    expect(keptGroup("x")).toBeNull();
  });
});
