/** A language that families are spoken to in. What is said is written in English, and found in any other by its English. */
export interface Language {
  /** As BCP 47 has it: "es". */
  readonly id: string;
  readonly decimal: "." | ",";
  /**
   * Texts by their English. What is put into one stands as {0}, {1} …; {#} is any whole number, "Part {#}". Places for a
   * brief's numbers, {heightM}, stay as they are.
   */
  readonly said: Readonly<Record<string, string>>;
  /** Several of what is named: "washer" in its own language. */
  readonly plural: (name: string) => string;
  /** Words that people write beside numbers, in the English that is read: "metros" is "metres". */
  readonly reading: Readonly<Record<string, string>>;
}

export const english: Language = {
  id: "en",
  decimal: ".",
  said: {},
  plural: (name) => (/(?:s|x|ch|sh|o)$/.test(name) ? `${name}es` : `${name}s`),
  reading: {},
};

type Texts = Language["said"];

/** What a piece of work is done in, with a brief's own texts. */
interface Scope {
  readonly language: Language;
  readonly texts: Texts;
}

let page = english;
let asked: () => Language | undefined = () => undefined;
let scope: Scope | null = null;

/** The language that is spoken now: of the work at hand, else of whoever asked for it, else of the page. */
export const spokenNow = (): Language => scope?.language ?? asked() ?? page;

/** Speaks a language from now on: for a page, which has one. */
export function speak(language: Language): void {
  page = language;
}

/** Where the language of whoever asked is found: for a server, which answers many at once. */
export function speakAsAsked(languageOfAsker: () => Language | undefined): void {
  asked = languageOfAsker;
}

/**
 * What work gives when it is done in a language; `texts` are a brief's own, which come before the language's. Work is done
 * at once: whatever would go on later speaks another language by then, so that it is an error.
 */
export function inLanguage<T>(language: Language, work: () => T, texts: Texts = {}): T {
  const before = scope;
  scope = { language, texts };
  try {
    const done = work();
    if (done instanceof Promise) throw new Error("what is said in a language is said at once");
    return done;
  } finally {
    scope = before;
  }
}

/** Whole numbers of a text, but what stands in its places. */
const wholeNumbers = /(?<![\w{])\d+(?!\w)/g;

/** A text in a language; null where it has none. */
export function saidIn(language: Language, text: string): string | null {
  const found = language.said[text];
  if (found !== undefined) return found;
  const numbers = text.match(wholeNumbers) ?? [];
  const counted = numbers.length > 0 ? language.said[text.replace(wholeNumbers, "{#}")] : undefined;
  if (counted === undefined) return null;
  let next = 0;
  return counted.replaceAll("{#}", () => numbers[next++] ?? "");
}

/** A text in the language that is spoken; in English where that language has none. */
export function said(text: string): string {
  const language = spokenNow();
  return language.id === english.id ? text : (scope?.texts[text] ?? saidIn(language, text) ?? text);
}

/** Several of what is named, in the language that is spoken. */
export const several = (name: string): string => spokenNow().plural(said(name));

/** A text with what is put into it: saying`Glide ${"3 m"} or farther` is looked up as "Glide {0} or farther". */
export function saying(texts: TemplateStringsArray, ...values: readonly (string | number)[]): string {
  const source = texts.reduce((whole, text, i) => `${whole}{${i - 1}}${text}`);
  return said(source).replace(/\{(\d)\}/g, (_, at: string) => String(values[Number(at)] ?? ""));
}
