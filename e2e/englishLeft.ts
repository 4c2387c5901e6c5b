import type { Page } from "@playwright/test";
import { allLanguages, type FamilyLanguage } from "../words/src/all.ts";
import { en } from "../words/src/index.ts";

/** Every text of a language's pages, its functions asked with plain numbers and words. */
function textsOf(node: unknown): readonly string[] {
  if (typeof node === "string") return [node];
  if (typeof node === "function") return [2, 1, -1].map((n) => told(node as (...given: unknown[]) => string, n));
  return Object.values(node ?? {}).flatMap(textsOf);
}

/** What is put in is a number of some things, or a word. */
function told(tell: (...given: unknown[]) => string, count: number): string {
  try {
    return tell(count, count, count);
  } catch {
    return tell("", "", "");
  }
}

const wordsOf = (text: string): readonly string[] => text.toLowerCase().match(/\p{L}{2,}/gu) ?? [];

const english = new Set([...textsOf(en.pages), ...Object.keys(allLanguages.es.said)].flatMap(wordsOf));

/** Words on a page that are English and none of the language's own; `names` are told as they are in every language. */
export async function englishLeft(page: Page, language: FamilyLanguage, names: readonly string[]): Promise<readonly string[]> {
  const own = new Set([...textsOf(language.pages), ...Object.values(language.said), ...names].flatMap((text) => wordsOf(text)));
  const seen = await page.evaluate(() => {
    const labels = [...document.querySelectorAll("[aria-label], [placeholder], [alt], [title]")].flatMap((node) =>
      ["aria-label", "placeholder", "alt", "title"].map((name) => node.getAttribute(name) ?? ""),
    );
    // What is printed alone is no part of what is seen, but of what is read on paper.
    const parts = [...document.querySelectorAll("body *:not(script, style)")].flatMap((node) =>
      [...node.childNodes].filter(({ nodeType }) => nodeType === Node.TEXT_NODE).map(({ textContent }) => textContent ?? ""),
    );
    return [document.title, ...parts, ...labels].join(" \n ");
  });
  return [...new Set(wordsOf(seen))].filter((word) => english.has(word) && !own.has(word));
}
