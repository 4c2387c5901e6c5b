import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import {
  askedWords,
  buildValues,
  type Dimension,
  type Family,
  families,
  familyAs,
  familyInWords,
  hazards,
  inLanguage,
  instruments,
  inWords,
  type Language,
  reasonWords,
  refusalWords,
  runKinds,
  said,
  several,
  showQuantity,
  textsOf,
  tokens,
  usualParts,
  type Values,
  workedWords,
} from "@lampcrate/core";
import { starters } from "../src/starters/index.ts";
import { starterMaterials } from "../src/starters/materials.ts";
import { packOfStarter } from "../src/starters/starter.ts";

/** Every text that families are told, as it is looked up: what is written in code, and what families and starters say when each of their choices is tried. */
export function everyText(): ReadonlySet<string> {
  const heard = new Set<string>(writtenInCode());
  const listening: Language = {
    id: "xx",
    decimal: ",",
    // What was said already is marked, so that it isn't taken for a text of ours when it is said again.
    said: new Proxy({}, { get: (_, text: string) => (text.includes("¤") || text.includes("{#}") ? text : hear(heard, text)) }),
    plural: (name) => name,
    reading: {},
  };
  inLanguage(listening, () => {
    for (const family of Object.values(families)) sayFamily(family);
    for (const starter of starters) sayStarter(packOfStarter(starter));
    for (const { name } of starterMaterials) said(name);
    for (const { words } of instruments) said(words);
    for (const { words, names } of tokens) [words, ...names].forEach(several);
    for (const kind of runKinds) for (const { words } of usualParts(kind, { sketchFirst: true })) said(words);
    sayRefusals();
  });
  return heard;
}

function hear(heard: Set<string>, text: string): string {
  if (/\p{L}{2}/u.test(text.replace(/\{[^{}]*\}/g, ""))) heard.add(text);
  return `¤${text}`;
}

function sayFamily(family: Family): void {
  for (const spec of eachChoice(family.spec)) {
    for (const design of eachChoice(family.design)) {
      const one = familyInWords(family);
      one.goalWords(spec, (si, dimension) => showQuantity(si, dimension, "metric"));
      one.needs(spec);
      one.further?.(spec);
      one.measures(spec);
      workedWords(one, spec, { outcome: "number", value: 1, at: null }, "metric");
      for (const youngestAge of [2, 4, 8])
        for (const place of ["indoors", "outdoors"] as const)
          one.cautions(spec, { youngestAge, allergens: ["wheat", "egg", "gelatine"], smallParts: true, latex: true, hazards, place });
      const { motion } = one.drawing(spec, design);
      for (const at of [0, 0.5, 1]) motion?.at(at * motion.durationS);
    }
  }
}

/** Values with each choice at each of its options, one at a time; numbers at their start, their least and their most. */
function* eachChoice(fields: Family["spec"]): Generator<Values> {
  const start = buildValues({ spec: fields, design: [] }, {}, {});
  yield start;
  for (const field of fields) {
    if (field.kind === "choice") for (const { id } of field.options) yield { ...start, [field.id]: id };
    else for (const value of [field.min, field.max]) yield { ...start, [field.id]: value };
  }
}

function sayStarter({ brief, title, lines }: ReturnType<typeof packOfStarter>): void {
  said(title);
  for (const { text } of textsOf(brief)) said(text);
  for (const { standIn, per } of lines) [standIn, ...(per === "builder" || per === "team" ? [] : [` for each ${per}`])].forEach(said);
  const family = familyInWords(familyAs(families[brief.family], brief.outcomes));
  family.measures(brief.spec);
  inWords(brief.outcomes);
  askedWords(family, brief.spec, brief.outcomes, "metric");
}

const reasons = ["unit mm", "decimal", "count for mass", "mass for count", "diameter", "radius"];
const refusals = ["empty", "ambiguous", "below zero", "wrong dimension", "unknown word", "not a number"] as const;
const dimensions: readonly Dimension[] = ["length", "mass", "time", "count", "angle", "speed"];

function sayRefusals(): void {
  for (const reason of reasons) reasonWords(reason);
  for (const dimension of dimensions) for (const refusal of refusals) refusalWords(refusal, "1,234", { dimension, defaultUnit: null });
}

/** Where what families are told is written in code. */
const folders = ["core/src", "server/src/services", "server/src/http", "web/home", "web/shared", "web/desk/sift"];

/** What of the server refuses families something. */
const refusing = [
  "http/security.ts",
  "http/heldBack.ts",
  "services/entries/entries.ts",
  "services/entries/groups.ts",
  "services/entries/intake.ts",
  "services/pictures/receive.ts",
  "routes/given.ts",
  "http/publicLimits.ts",
  "http/attempts.ts",
  "app.ts",
].map((file) => `server/src/${file}`);

/** What stands in a list, or is put together from a word. */
const further = [
  ...["helps", "hurts", "cannot tell yet", "too few to tell", "and", "or", "Grams of the build", "challenge", "question", "picture"],
  ...["Check what you typed", "Not found", "Not yet", "The reveal has no day yet.", "The reveal is still to come."],
  ...["No such code", "No challenge is open under this code. Check its words and the number.", "Entries are not open yet."],
  ...["What it gave way at is more than what it held.", "A made-up name is at most 60 letters."],
  ...["Many pictures are coming in. It is sent again in a moment."],
];

const root = new URL("../..", import.meta.url).pathname;

function* writtenInCode(): Generator<string> {
  yield* further;
  for (const folder of folders)
    for (const name of readdirSync(join(root, folder), { recursive: true }) as string[]) {
      if (!/\.tsx?$/.test(name)) continue;
      const code = readFileSync(join(root, folder, name), "utf8");
      if (name !== join("language", "language.ts"))
        for (const [, text = ""] of code.matchAll(/\bsaying`((?:[^`$]|\$\{(?:[^{}`]|`[^`]*`|\{[^{}]*\})*\})*)`/g)) yield asSource(text);
      for (const [, given = ""] of code.matchAll(/\bsaid\(((?:[^()"]|"[^"]*"|\([^()]*\))*)\)/g))
        for (const [, text = ""] of given.matchAll(/(?<!=== )"([^"]*[a-z]{2}[^"]*)"/g)) yield text;
    }
  for (const file of refusing) {
    const code = readFileSync(join(root, file), "utf8");
    for (const [, title = "", detail = ""] of code.matchAll(/new Problem\(\s*\d+,\s*"([^"]+)",\s*(?:"([^"]+)")?/g))
      yield* [title, detail].filter((text) => text !== "");
    for (const [, text = ""] of code.matchAll(/(?:[mM]essage|Words) = "([^"]+)"/g)) yield text;
    for (const [, text = ""] of code.matchAll(/badField\("\w+", "([^"]+)"\)/g)) yield text;
  }
}

function asSource(template: string): string {
  let next = 0;
  return template.replace(/\$\{(?:[^{}`]|`[^`]*`|\{[^{}]*\})*\}/g, () => `{${next++}}`);
}
