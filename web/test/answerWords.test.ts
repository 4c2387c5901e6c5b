import { expect, it } from "vitest";
import { type Answer, answerWords } from "../desk/buying/answerWords.ts";

const answer = (patch: Partial<Answer> = {}): string =>
  answerWords({ packs: 0, suppliers: 0, cost: 0, currency: "EUR", changed: false, short: 0, collected: 0, ...patch });

it("says that nothing has to be bought and it is enough only where it is", () => {
  expect(answer()).toBe("Nothing has to be bought: what is there and on its way is enough for every crate of the season.");
  expect(answer({ short: 1 })).toBe("Nothing more can be ordered in time: 1 material is short, as listed below.");
  expect(answer({ collected: 2 })).toBe("Nothing has to be bought; 2 materials are still to be collected, as listed below.");
  expect(answer({ changed: true })).toBe("Nothing is left to order: all of it is left out.");
});

it("says of an order what it leaves short", () => {
  const order = { packs: 3, suppliers: 1, cost: 1250 };
  expect(answer(order)).toBe(
    "Order 3 packs from one supplier today, for €12.50 with delivery: every crate has in time what is bought for it.",
  );
  expect(answer({ ...order, short: 2 })).toBe(
    "Order 3 packs from one supplier today, for €12.50 with delivery. After that 2 materials are still short, as listed below.",
  );
  expect(answer({ ...order, changed: true, short: 2 })).toContain("as you changed it.");
});
