import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  type Bound,
  bindErrors,
  briefFields,
  families,
  familyIds,
  followed,
  follows,
  isFollowing,
  type KitLine,
  kitCut,
  startValues,
  typedOver,
  unbound,
} from "../src/index.ts";
import { line } from "./samples.ts";

const briefOf = (
  lines: readonly KitLine[],
  spec: Readonly<Record<string, number | string>> = {},
  family: "tall" | "float" | "landing" = "tall",
) => ({
  family,
  spec: { ...startValues(families[family].spec), ...spec },
  design: startValues(families[family].design),
  trials: 3,
  buildMinutes: 20,
  teamSize: 4,
  lines,
});
const unit = (of: "piece" | "mm" | "g" | "ml") => () => of;
const bound = (id: string, amount: Bound): KitLine => line(id, { bind: { ...unbound, amount } });
const amountOf = (amount: Bound, of: "piece" | "mm" | "g" | "ml", spec: Readonly<Record<string, number>> = {}): number | undefined =>
  followed(briefOf([bound("x", amount)], spec), unit(of))[0]?.amount;

describe("a line that follows the brief", () => {
  it.each([
    ["30 sticks", follows("sticks"), "piece", 30],
    ["half of them, whole", follows("sticks", { times: 0.55, round: "up" }), "piece", 17],
    ["two to spare", follows("sticks", { plus: 2 }), "piece", 32],
    ["5 g a joint", follows("joints", { times: 0.005 }), "g", 60],
    ["120 mm a joint", follows("joints", { times: 0.12 }), "mm", 1440],
    ["as long as a stick, in mm", follows("stickM"), "mm", 250],
    ["washers to a load", follows("topKg", { times: 1000 / 3.6, round: "up" }), "piece", 14],
    ["one for each of a team", follows("teamSize"), "piece", 4],
  ] as const)("takes %s", (_, amount, of, wanted) => {
    expect(amountOf(amount, of, { topKg: 0.05 })).toBe(wanted);
  });

  it("moves with its field, and no other line does", () => {
    const lines = [bound("sticks", follows("sticks")), line("clay")];
    const moved = followed(briefOf(lines, { sticks: 50 }), unit("piece"));
    expect([moved[0]?.amount, moved[1]]).toEqual([50, lines[1]]);
    expect(followed(briefOf(moved, { sticks: 50 }), unit("piece"))).toBe(moved);
  });

  it("is cut as large as the goal says, and is of what the goal names", () => {
    const cut = kitCut({ widthM: 0.18, heightM: 0.18 });
    const foil = line("foil", { cut, bind: { ...unbound, cutWidth: follows("sideM"), cutHeight: follows("sideM", { plus: 0.02 }) } });
    const [piece] = followed(briefOf([foil], { sideM: 0.2 }, "float"), unit("piece"));
    expect([piece?.cut?.widthM, piece?.cut?.heightM]).toEqual([0.2, 0.22]);
    const cargo = line("figure", { bind: { ...unbound, material: { field: "payload", of: { "bead-shell": "shell" }, loose: false } } });
    expect(followed(briefOf([cargo], { payload: "bead-shell" }, "landing"), unit("piece"))[0]?.materialId).toBe("shell");
    expect(followed(briefOf([cargo], { payload: "cracker" }, "landing"), unit("piece"))[0]?.materialId).toBe("figure");
  });

  it("follows in a brief that leaves a choice to its usual, too", () => {
    const foil = line("foil", { cut: kitCut({ widthM: 0.1, heightM: 0.1 }), bind: { ...unbound, cutWidth: follows("sideM") } });
    const brief = { ...briefOf([foil], {}, "float"), spec: { sideM: 0.25 } };
    expect(followed(brief, unit("piece"))[0]?.cut?.widthM).toBe(0.25);
  });

  it("stands by itself once another number is typed over it, and remembers what it followed", () => {
    const before = bound("sticks", follows("sticks"));
    const typed = typedOver(before, { amount: 12 });
    expect(typed.bind.amount).toEqual({ ...follows("sticks"), loose: true });
    expect(followed(briefOf([typed], { sticks: 50 }), unit("piece"))[0]?.amount).toBe(12);
    expect(typedOver(before, { spoilRate: 0.1 }).bind).toBe(before.bind);
    const piece = line("foil", { cut: kitCut({ widthM: 0.1, heightM: 0.1 }), bind: { ...unbound, cutWidth: follows("sideM") } });
    expect(typedOver(piece, { cut: kitCut({ widthM: 0.3, heightM: 0.1 }) }).bind.cutWidth?.loose).toBe(true);
  });

  it("keeps what it has while its field says nothing, or too much", () => {
    const foil = line("foil", { cut: kitCut({ widthM: 0.1, heightM: 0.1 }), bind: { ...unbound, cutWidth: follows("sideM") } });
    expect(followed(briefOf([foil], { from: "bag", sideM: 0.3 }, "float"), unit("piece"))[0]?.cut?.widthM).toBe(0.1);
    expect(amountOf(follows("sticks", { times: 1e6 }), "piece")).toBe(2);
  });

  it("says by its place what can't be followed", () => {
    const errors = (of: "piece" | "mm" | "g", amount: Bound) => bindErrors(briefOf([bound("x", amount)]), unit(of));
    expect(errors("piece", follows("gapM"))).toEqual([
      { field: "brief.lines[0].bind.amount", message: "This family has no number “gapM” to follow." },
    ]);
    expect(errors("g", follows("stickM"))[0]?.message).toBe("Length of a stick is no amount of this material: follow another number.");
    expect(errors("piece", follows("sticks", { times: -1 }))[0]?.message).toContain("it would take -30");
    expect(errors("piece", follows("sticks"))).toEqual([]);
    const cargo = line("x", { bind: { ...unbound, material: { field: "payload", of: { cake: "x" }, loose: false } } });
    expect(bindErrors(briefOf([cargo], {}, "landing"), unit("piece"))[0]).toEqual({
      field: "brief.lines[0].bind.material.of.cake",
      message: "Cargo has no “cake” to choose.",
    });
  });

  it("is not asked for when two have changed it", () => {
    const lines = [
      line("x", {
        cut: kitCut({ widthM: 0.1, heightM: 0.1 }),
        bind: { ...unbound, amount: follows("sticks"), cutWidth: { ...follows("stickM"), loose: true } },
      }),
    ];
    const place = (...keys: readonly string[]) => isFollowing(lines, ["lines", "line-x", ...keys]);
    expect([
      place("amount"),
      place("cut", "widthM"),
      place("cut", "heightM"),
      place("spoilRate"),
      isFollowing(lines, ["spec", "sticks"]),
    ]).toEqual([true, false, false, false, false]);
  });

  it.each(familyIds)("%s: no two fields of goal, plain build and brief have one id, and following twice changes nothing", (id) => {
    const ids = briefFields(id).map(({ field }) => field.id);
    expect(new Set(ids).size).toBe(ids.length);
    const numbers = briefFields(id).filter(({ field }) => field.kind === "number");
    fc.assert(
      fc.property(
        fc.constantFrom(...numbers),
        fc.double({ min: 0.01, max: 50, noNaN: true }),
        fc.constantFrom("piece", "mm", "g" as const),
        (placed, times, of) => {
          const brief = {
            ...briefOf([bound("x", follows(placed.field.id, { times, round: "up" }))]),
            family: id,
            spec: startValues(families[id].spec),
            design: startValues(families[id].design),
          };
          const once = followed(brief, unit(of));
          expect(followed({ ...brief, lines: once }, unit(of))).toBe(once);
          expect(Number.isInteger(once[0]?.amount)).toBe(true);
        },
      ),
    );
  });
});
