import { describe, expect, it } from "vitest";
import {
  type Beside,
  type Check,
  type CheckedBrief,
  checksOf,
  type FamilyId,
  families,
  familyIds,
  fillText,
  follows,
  type KitLine,
  kitCut,
  sharesOf,
  startValues,
  unbound,
} from "../src/index.ts";
import { line } from "./samples.ts";

const known = {
  goggles: "Goggles",
  tape: "Tape measure",
  straw: "Paper straw",
  foil: "Kitchen foil",
  washer: "M10 washer",
  figure: "Clay figure",
  scale: "Kitchen scale",
  bag: "Load bag",
};
const beside: Beside = {
  kind: "workshop",
  units: "metric",
  dates: { opens: "2026-12-01", closes: "2026-12-20", reveal: "2027-01-05" },
  today: "2026-11-26",
  materials: Object.entries(known).map(([id, name]) => ({ id, name, unit: "piece" as const })),
  rooms: [],
  ratios: [],
};
const shared = (id: string): KitLine => line(id, { kind: "reusable", source: "house" });
const briefOf = (family: FamilyId, patch: Partial<CheckedBrief> = {}): CheckedBrief => ({
  family,
  spec: startValues(families[family].spec),
  design: startValues(families[family].design),
  prize: "",
  trials: 3,
  buildMinutes: 20,
  teamSize: 2,
  youngestAge: 7,
  loops: 2,
  instrument: "",
  story: "",
  protocolNote: "",
  tiers: [],
  rules: [],
  hints: [],
  cautions: [],
  lines: [shared("goggles"), shared("tape")],
  ...patch,
});
const ids = (brief: CheckedBrief, patch: Partial<Beside> = {}): readonly string[] =>
  checksOf(brief, { ...beside, ...patch }).map(({ id }) => id);
const one = (brief: CheckedBrief, id: RegExp, patch: Partial<Beside> = {}): Check => {
  const found = checksOf(brief, { ...beside, ...patch }).find((check) => id.test(check.id));
  if (!found) throw new Error(`nothing like ${id}`);
  return found;
};
const tier = (kind: "free" | "stretch", share: number, times: number | null = null) => ({
  id: `${kind}${share}`,
  kind,
  words: kind,
  share,
  times,
});

describe("what doesn't fit in a brief", () => {
  it("finds nothing in one that fits", () => {
    expect(ids(briefOf("tall"))).toEqual([]);
  });

  it("stops at a number in words that the goal has otherwise; one press has it follow, another says it means something else", () => {
    const brief = briefOf("tall", { story: "Take fifty sticks.", rules: [{ id: "r", words: "Are there 30 sticks?" }] });
    const check = one(brief, /^number story/);
    expect([check.stops, check.at, check.words]).toEqual([true, "story", "“Take fifty sticks.”, but “Sticks” is 30."]);
    const mended = check.mends.map(({ words, patch }) => [words, patch.story, ids({ ...brief, ...patch })]);
    expect(mended).toEqual([
      ["Say 30, and follow it", "Take {sticks} sticks.", []],
      ["It means something else", "Take {is_50} sticks.", []],
    ]);
  });

  it("stops at a place that the brief doesn't have, or that says nothing now", () => {
    expect(one(briefOf("tall", { rules: [{ id: "r", words: "Over {gapp}?" }] }), /^text rules/)).toMatchObject({
      stops: true,
      at: "rules",
    });
    expect(
      one(briefOf("tall", { story: "Open from {opens}." }), /^empty story/, { dates: { ...beside.dates, opens: null } }).words,
    ).toContain("has no value now");
    const raft = briefOf("float", {
      story: "A square of {sideM}",
      spec: { ...startValues(families.float.spec), from: "bag" },
      lines: [line("washer")],
    });
    expect(one(raft, /^empty story/).words).toContain("“Square sheet, side”");
  });

  it("stops at a packed piece of another size than the goal's, and warns of another amount", () => {
    const foil = line("foil", {
      cut: kitCut({ widthM: 0.18, heightM: 0.2 }),
      bind: { ...unbound, amount: { ...follows("goalCount"), loose: true }, cutWidth: { ...follows("sideM"), loose: true } },
    });
    const brief = briefOf("float", { lines: [foil, line("washer")] });
    expect(ids(brief)).toEqual(["apart line-foil cutWidth", "apart line-foil amount"]);
    const cut = one(brief, /cutWidth/);
    expect([cut.stops, cut.words]).toEqual([
      true,
      "Kitchen foil: how wide it is cut stands by itself and is not what square sheet, side, 20\u00a0cm, would have it.",
    ]);
    expect(cut.mends[0]?.patch.lines?.[0]?.bind.cutWidth?.loose).toBe(false);
    expect(one(brief, /amount/).stops).toBe(false);
  });

  it("warns of a goal that nobody reaches, or everybody, and offers one that suits", () => {
    const spec = startValues(families.tall.spec);
    const high = one(briefOf("tall", { spec: { ...spec, goalM: 3 } }), /^reach$/);
    expect([high.stops, high.words]).toEqual([false, "Hardly anybody is expected to reach 3\u00a0m with a build like the plain one."]);
    const mended = high.mends[0]?.patch.spec;
    expect(ids(briefOf("tall", { spec: mended ?? spec }))).toEqual([]);
    expect(one(briefOf("tall", { spec: { ...spec, goalM: 0.1 } }), /^reach$/).words).toContain("Nearly everybody");
  });

  it("stops at a stretch goal that is no harder, which way round that is", () => {
    const more = one(briefOf("tall", { tiers: [tier("stretch", 0, 0.9)] }), /^stretch/);
    expect([more.stops, more.mends[0]?.patch.tiers?.[0]?.times]).toEqual([true, 1.5]);
    const fast = { ...startValues(families.drive.spec), drive: "sail", best: "fast" };
    const less = (times: number) =>
      ids(briefOf("drive", { spec: fast, tiers: [tier("stretch", 0, times)] })).filter((id) => id.startsWith("stretch"));
    expect([less(1.5), less(0.75)]).toEqual([["stretch stretch0"], []]);
  });

  it("holds the tiers' shares to 100 %", () => {
    const brief = briefOf("tall", { tiers: [tier("free", 0.5), { ...tier("free", 0.7), id: "b" }, tier("stretch", 0, 2)] });
    const check = one(brief, /^shares$/);
    expect([check.words, check.mends[0]?.patch.tiers?.map(({ share }) => share)]).toEqual([
      "The tiers are taken by 120 % of the builders together: it should be 100 %.",
      [0.42, 0.58, 0],
    ]);
    expect([sharesOf([0, 0, 0]), sharesOf([0.2, 0.2])]).toEqual([
      [0.34, 0.33, 0.33],
      [0.5, 0.5],
    ]);
  });

  it("puts what is missing into the crate with one press, where the store room has it; then it is there", () => {
    const bare = briefOf("tall", { lines: [line("straw")] });
    for (const [id, material] of [
      ["instrument", "tape"],
      ["goggles", "goggles"],
    ] as const) {
      const [mend] = one(bare, new RegExp(id)).mends;
      expect(mend?.patch.lines?.at(-1)).toMatchObject({ materialId: material, kind: "reusable", source: "house" });
      expect(ids({ ...bare, ...mend?.patch })).not.toContain(id);
    }
    expect(one(bare, /goggles/, { materials: [] }).mends).toEqual([]);
    const cargo = briefOf("landing", { lines: [shared("goggles"), shared("tape")] });
    const [clay] = one({ ...cargo, spec: { ...cargo.spec, payload: "clay-figure" } }, /cargo/).mends;
    expect(clay?.words).toBe("Put Clay figure into the crate");
  });

  it("names a room of a session to come that is too small, by how much, and what would do", () => {
    const room = { id: "nook", name: "Reed Nook", lengthM: 1, widthM: 1, heightM: 2, seats: 6, water: false, floor: "carpet" as const };
    const launch = briefOf("launch-band");
    expect(ids(launch).filter((id) => id.startsWith("room"))).toEqual([]);
    const found = one(launch, /^room nook/, { rooms: [room] });
    expect(found).toMatchObject({ at: "calendar", stops: false });
    expect(found.words).toMatch(/^Reed Nook is 100\s?cm long; this brief needs .* Take a larger room/);
  });

  it("offers goals near its own that such a room can host: the nearest step, one number changed, and none where none is enough", () => {
    const loft = { id: "loft", name: "Weather Loft", lengthM: 9, widthM: 6, heightM: 2.6, seats: 20, water: false, floor: "hard" as const };
    const fall = briefOf("descent");
    const high = { ...fall, spec: { ...fall.spec, heightM: 3 } };
    const [mend] = one(high, /^room loft/, { rooms: [loft] }).mends;
    expect(mend?.words).toMatch(/^Fit Weather Loft: .* 2.1\s?m$/);
    expect(mend?.patch.spec).toEqual({ ...high.spec, heightM: 2.1 });
    expect(ids({ ...high, ...mend?.patch }, { rooms: [loft] }).filter((id) => id.startsWith("room"))).toEqual([]);
    // A step more is too much.
    expect(ids({ ...high, spec: { ...high.spec, heightM: 2.15 } }, { rooms: [loft] })).toContain("room loft 0");
    expect(one(high, /^room loft/, { rooms: [loft], units: "imperial" }).mends[0]?.words).toMatch(/ 6\.8[0-9]*\s?ft$| 6.*ft/);
    for (const family of familyIds) {
      const brief = briefOf(family);
      const found = checksOf(brief, { ...beside, rooms: [{ ...loft, lengthM: 2.2, heightM: 2 }] }).filter(({ id }) =>
        id.startsWith("room"),
      );
      for (const { mends } of found)
        for (const { patch } of mends)
          expect(ids({ ...brief, ...patch }, { rooms: [{ ...loft, lengthM: 2.2, heightM: 2 }] })).not.toContain("room loft 0");
    }
    expect(one(high, /^room loft/, { rooms: [{ ...loft, heightM: 0.7 }] }).mends).toEqual([]);
  });

  it("misses cargo, instrument and goggles that nobody has; at home a ruler and a stopwatch are there", () => {
    expect(ids(briefOf("landing", { lines: [shared("tape")] }))).toEqual(["cargo payload"]);
    expect(ids(briefOf("landing", { lines: [shared("tape"), line("figure")] }))).toEqual([]);
    expect(ids(briefOf("tall", { lines: [line("straw")] }))).toEqual(["instrument", "goggles"]);
    expect(ids(briefOf("tall", { lines: [line("straw")] }), { kind: "at-home" })).toEqual([]);
    // Load bags of 100 g are counted, not weighed.
    expect(ids(briefOf("span", { lines: [shared("goggles"), line("bag")] }))).toEqual([]);
  });

  it("asks at home for what stays with the house to be found there, and rules to be questions", () => {
    const home = one(briefOf("tall"), /^house at home/, { kind: "at-home" });
    expect(home.mends[0]?.patch.lines?.map(({ source, per }) => [source, per])).toEqual([
      ["home", "builder"],
      ["home", "builder"],
    ]);
    const rule = one(briefOf("tall", { rules: [{ id: "r", words: "It stands free." }] }), /^rule/);
    expect(rule.mends[0]?.patch.rules?.[0]?.words).toBe("It stands free?");
  });

  it("warns of days that are over or in the wrong order", () => {
    const dates = { opens: "2026-12-21", closes: "2026-12-20", reveal: "2026-12-10" };
    expect(ids(briefOf("tall"), { dates })).toEqual(["opens late", "reveal early"]);
    expect(ids(briefOf("tall"), { today: "2026-12-21" })).toEqual(["closes past"]);
    expect(fillText("{closes}", { brief: { ...briefOf("tall") }, units: "metric", unitOf: () => "piece", dates })).toContain("20 December");
  });
});
