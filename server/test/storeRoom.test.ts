import type { CsvPreview, MaterialDoc, RunDoc } from "@lampcrate/contract";
import { usualLine } from "@lampcrate/core";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { addMaterial, everything, makeRun, openTestHouse, type TestHouse } from "./house.ts";

let house: TestHouse;
beforeEach(async () => {
  house = await openTestHouse();
});
afterEach(() => house.close());

const list = async (): Promise<readonly MaterialDoc[]> => (await house.ask("GET", "/api/materials")).body as readonly MaterialDoc[];
const take = (text: string) => house.ask("POST", "/api/stock/csv", { text });

describe("a file into the store room", () => {
  it.each([
    ["an amount with a comma and no quotes", "name,on hand\nCard,1,5\n", "row 2, name"],
    ["a quote that is never closed", 'name,on hand\n"Card,5\nTape,3\n', "row"],
    ["a heading twice", "name,on hand,on hand\nCard,1,2\n", "row 1, on hand"],
    ["endless digits", `name,on hand\nCard,${"9".repeat(400)}\n`, "row 2, on hand"],
    ["a power of ten", "name,pack price\nCard,1e30\n", "row 2, pack price"],
    ["a sum", "name,pack price\nCard,4x2\n", "row 2, pack price"],
  ])("with %s is refused by row and column, and nothing is taken", async (_, text, field) => {
    await addMaterial(house, "Card");
    const before = everything(house);
    const answer = await take(text);
    expect(answer).toMatchObject({ status: 422, body: { errors: [{ field: expect.stringContaining(field) }] } });
    expect(everything(house)).toBe(before);
  });

  it("of thousands of materials is taken, and read again without a change", async () => {
    const rows = Array.from({ length: 4000 }, (_, i) => `material ${i},${i}`);
    const text = ["name,on hand", ...rows].join("\n");
    expect((await take(text)).status).toBe(200);
    const again = (await house.ask("POST", "/api/stock/csv/preview", { text })).body as CsvPreview;
    expect(again.wrong).toEqual([]);
    expect(again.rows.filter((row) => row.does !== "leaves as it is")).toEqual([]);
  });
});

describe("a material", () => {
  it("of a name that is there, whatever its case, is refused at the name; renaming too", async () => {
    await addMaterial(house, "Thin card");
    const tape = await addMaterial(house, "Tape");
    const { id, onHand: _, archived: __, ...values } = tape;
    expect(await house.ask("POST", "/api/materials", { ...input(values), name: "THIN CARD", onHand: 0 })).toMatchObject({
      status: 422,
      body: { errors: [{ field: "name" }] },
    });
    expect(await house.ask("PUT", `/api/materials/${id}`, { ...values, name: "thin Card" })).toMatchObject({ status: 422 });
    expect((await house.ask("PUT", `/api/materials/${id}`, { ...values, name: "TAPE" })).status).toBe(200);
  });

  it("keeps its unit while there is stock of it, and may change it before", async () => {
    const [there, fresh] = [await addMaterial(house, "There"), await addMaterial(house, "Fresh", { onHand: 0 })];
    const change = ({ id, onHand: _, archived: __, ...values }: MaterialDoc) =>
      house.ask("PUT", `/api/materials/${id}`, { ...values, unit: "g" });
    expect(await change(there)).toMatchObject({ status: 422, body: { errors: [{ field: "unit" }] } });
    expect((await change(fresh)).status).toBe(200);
  });

  it("that nothing refers to is deleted; another is put away, keeps what refers to it, and comes back", async () => {
    const [unused, used] = [await addMaterial(house, "Unused", { onHand: 0 }), await addMaterial(house, "Used")];
    const run = await makeRun(house, { publish: false });
    const brief = { ...run.brief, lines: [usualLine("line-used", used.id)] };
    await house.ask("PUT", `/api/runs/${run.id}/brief`, { revision: run.briefRevision, words: "", brief });
    expect((await house.ask("DELETE", `/api/materials/${unused.id}`)).body).toEqual({ done: "deleted" });
    expect((await house.ask("DELETE", `/api/materials/${used.id}`)).body).toEqual({ done: "put away" });
    expect((await list()).map(({ name, archived }) => [name, archived])).toEqual([["Used", true]]);
    expect(((await house.ask("GET", `/api/runs/${run.id}`)).body as RunDoc).brief.lines).toHaveLength(1);
    const second = await addMaterial(house, "used");
    expect((await house.ask("POST", `/api/materials/${used.id}/back`)).status).toBe(422);
    await house.ask("DELETE", `/api/materials/${second.id}`);
    expect((await house.ask("POST", `/api/materials/${used.id}/back`)).status).toBe(200);
    expect((await list()).find(({ id }) => id === used.id)?.archived).toBe(false);
    expect((await house.ask("DELETE", "/api/materials/not-there")).status).toBe(404);
  });
});

function input({ revision: _, ...values }: Omit<MaterialDoc, "id" | "onHand" | "archived">): object {
  return values;
}
