import type { BriefDoc, LearnedDoc, MineDoc, ProblemDoc, RevealDoc, RunDoc, SheetDoc } from "@lampcrate/contract";
import { english, inLanguage } from "@lampcrate/core";
import { allLanguages, consentWords } from "@lampcrate/words/all";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { entriesOf, goodEntry, makeRun, openTestHouse, sendTo, type TestHouse } from "./house.ts";

let house: TestHouse;
let run: RunDoc;
beforeEach(async () => {
  house = await openTestHouse();
  run = await makeRun(house);
});
afterEach(() => house.close());

/** What a device that speaks so is answered. */
async function told<T>(path: string, headers: Record<string, string>, init: RequestInit = {}): Promise<T> {
  const answer = await house.app.request(`/api/public${path}`, { ...init, headers });
  return (await answer.json()) as T;
}
const sheetPath = (): string => `/runs/${encodeURIComponent(run.code ?? "")}`;
const spanish = { "accept-language": "es-MX,es;q=0.9,en;q=0.5" };
const languageOf = async (headers: Record<string, string>): Promise<string> => (await told<SheetDoc>(sheetPath(), headers)).language;

describe("a family is answered in its language", () => {
  it("that it was switched to, else the first that its device speaks and we do, else English", async () => {
    expect(await languageOf({})).toBe("en");
    expect(await languageOf(spanish)).toBe("es");
    expect(await languageOf({ "accept-language": "fi, es;q=0.4, en;q=0.3" })).toBe("es");
    expect(await languageOf({ "accept-language": "en-GB, es;q=0.9" })).toBe("en");
    expect(await languageOf({ "accept-language": "tlh" })).toBe("en");
    expect(await languageOf({ ...spanish, cookie: "lampcrate-language=en" })).toBe("en");
    expect(await languageOf({ cookie: "lampcrate-language=es" })).toBe("es");
    expect(await languageOf({ ...spanish, cookie: "lampcrate-language=__proto__" })).toBe("es");
  });

  it("and may not be told another one's out of a store on the way", async () => {
    const answer = await house.app.request(`/api/public${sheetPath()}`, { headers: spanish });
    expect(answer.headers.get("content-language")).toBe("es");
    expect(answer.headers.get("cache-control")).toBe("no-store");
    expect(answer.headers.get("vary") ?? "").not.toContain("language");
  });

  it("with the brief's numbers in it, whoever asks first; the desk stays in English", async () => {
    const [es, en] = [await told<SheetDoc>(sheetPath(), spanish), await told<SheetDoc>(sheetPath(), {})];
    expect(es.words.howTo[0]?.words).toMatch(/^Marca \d+([,.]\d+)?\sm en una pared/);
    expect(en.words.howTo[0]?.words).toMatch(/^Mark /);
    expect(es.keeping).toMatch(/se borra(n)? el .* de \d{4}/);
    expect((await told<SheetDoc>(sheetPath(), spanish)).words).toEqual(es.words);
    const desk = (await house.ask("GET", `/api/runs/${run.id}/sheet`)).body as SheetDoc;
    expect(desk.language).toBe("en");
  });

  it("whoever else's entry is committed with theirs", async () => {
    const bad = (name: string) => {
      const { versions, ...rest } = goodEntry(name);
      return { ...rest, versions: versions.map((v) => ({ ...v, trials: v.trials.map((t) => ({ ...t, raw: "soon" })) })) };
    };
    const send = (name: string, headers: Record<string, string>) =>
      told<ProblemDoc>(
        `${sheetPath()}/entries`,
        { ...headers, "content-type": "application/json" },
        { method: "POST", body: JSON.stringify(bad(name)) },
      );
    const [en, es] = await Promise.all([send("one", {}), send("two", spanish)]);
    const [alone, solo] = [await send("one", {}), await send("two", spanish)];
    expect([en, es]).toEqual([alone, solo]);
    house.at("2027-01-10T10:00:00Z");
    const closed = await Promise.all([send("one", {}), send("two", spanish)]);
    expect(closed.map(({ detail }) => detail)).toEqual([
      "Entries closed at the end of Sunday 20 December 2026.",
      "Los envíos se cerraron al final del domingo, 20 de diciembre de 2026.",
    ]);
  });

  it("when it is refused something too", async () => {
    expect(await told<ProblemDoc>("/runs/NO%20SUCH%20CODE%20111", spanish)).toMatchObject({
      status: 404,
      title: "No existe ese código",
      errors: [{ field: "code", message: expect.stringContaining("no hay ningún reto abierto") }],
    });
    const unread = goodEntry("newt");
    const versions = unread.versions.map((version) => ({
      ...version,
      trials: version.trials.map((trial) => ({ ...trial, raw: "perro" })),
    }));
    const refused = await told<ProblemDoc>(
      `${sheetPath()}/entries`,
      { ...spanish, "content-type": "application/json" },
      {
        method: "POST",
        body: JSON.stringify({ ...unread, versions }),
      },
    );
    expect(refused.errors?.[0]?.message).toBe("No podemos leer eso como un número. Escríbelo como 1,62 o 1 min 5 s.");
  });

  it("at its reveal", async () => {
    await sendTo(house, run, goodEntry("heron"));
    const [entry] = await entriesOf(house, run.id);
    await house.ask("POST", `/api/runs/${run.id}/entries/${entry?.id}/decision`, { decision: "accepted", why: "", revision: 1 });
    house.at("2026-12-24T12:00:00Z");
    const reveal = await told<RevealDoc>(`${sheetPath()}/reveal`, spanish);
    expect(reveal.goalWords).toMatch(/^Caer /);
    expect(reveal.plain[0]).toMatch(/de 1 alcanzaron la meta\.$/);
    expect((await told<RevealDoc>(`${sheetPath()}/reveal`, {})).plain[0]).toMatch(/of 1 met the goal\.$/);
  });
});

it("an adult agrees to the words of the language that was read; the sifter knows which", async () => {
  const entry = goodEntry("heron", { consentVersion: "es-1" });
  await sendTo(house, run, entry);
  expect((await entriesOf(house, run.id))[0]?.language).toBe("es");
  const mine = await told<MineDoc>("/mine", { "x-entry-secret": entry.secret });
  expect(mine.consents.find(({ part }) => part === "keep")?.words).toBe(consentWords["es-1"]?.keep);
  expect((await sendTo(house, run, goodEntry("otter", { consentVersion: "xx-1" }))).status).toBe(422);
});

it("a rule that was asked in another language reaches the sifter in the house's own, the family's words stay beside it", async () => {
  const { words, brief } = await told<SheetDoc>(sheetPath(), spanish);
  const english = await told<SheetDoc>(sheetPath(), {});
  const rules = [...words.rules, ...brief.rules.map((rule) => rule.words)];
  const own = [...english.words.rules, ...english.brief.rules.map((rule) => rule.words)];
  expect(rules.length).toBeGreaterThan(1);
  const answers = rules.map((rule, i) => ({ rule, yes: i > 0 }));
  await sendTo(house, run, goodEntry("heron", { consentVersion: "es-1", answers }));
  await sendTo(house, run, goodEntry("otter", { answers: own.map((rule) => ({ rule, yes: true })) }));
  const entries = await entriesOf(house, run.id);
  const [asked, plain] = ["es", "en"].map((language) => entries.find((entry) => entry.language === language));
  expect(asked?.answers.map(({ rule }) => rule)).toEqual(rules);
  expect(rules.map((rule) => asked?.rulesInEnglish[rule])).toEqual(own);
  expect(own[0]).not.toBe(rules[0]);
  expect(plain?.rulesInEnglish).toEqual({});
});

it("a house's own words are said as the planner gave them, frozen with the version; what is left stays as it was written", async () => {
  const save = async (patch: Partial<BriefDoc>) => {
    const now = (await house.ask("GET", `/api/runs/${run.id}`)).body as RunDoc;
    const brief = { ...now.brief, ...patch };
    return house.ask("PUT", `/api/runs/${run.id}/brief`, { revision: now.briefRevision, words: "words", brief });
  };
  const story = "The marsh owl waits.";
  const { versions } = goodEntry("own");
  const own = { buildMinutes: 10, rebuilds: 0, broke: [], note: "", versions: versions.map((v) => ({ ...v, changed: "longer wings" })) };
  const { trials } = (await house.ask("POST", `/api/runs/${run.id}/house-trials`, own)).body as LearnedDoc;
  await house.ask("PUT", `/api/runs/${run.id}/house-trials/${trials[0]?.id}/shown`, { shown: true });
  expect((await told<SheetDoc>(sheetPath(), spanish)).toBeat[0]?.what).toBe("longer wings");
  const es = { [story]: "La lechuza espera.", "longer wings": "alas más largas" };
  await save({ story, translations: { es }, rules: [{ id: "rule-one", words: "Is it an owl?" }] });
  expect((await told<SheetDoc>(sheetPath(), spanish)).brief.story).not.toBe("La lechuza espera.");
  await house.ask("POST", `/api/runs/${run.id}/publish`);
  const { brief, toBeat } = await told<SheetDoc>(sheetPath(), spanish);
  expect(toBeat[0]?.what).toBe("alas más largas");
  expect([brief.story, brief.rules[0]?.words]).toEqual(["La lechuza espera.", "Is it an owl?"]);
  expect("translations" in brief).toBe(false);
  const refused = await save({ translations: { tlh: { a: "b" } } });
  expect(refused.status).toBe(422);
});

it("many families at once, each in its own", async () => {
  const asked = Array.from({ length: 20 }, (_, i) => languageOf(i % 2 === 0 ? spanish : {}));
  expect(await Promise.all(asked)).toEqual(Array.from({ length: 20 }, (_, i) => (i % 2 === 0 ? "es" : "en")));
  expect(inLanguage(allLanguages.es, () => inLanguage(english, () => "still"))).toBe("still");
});
