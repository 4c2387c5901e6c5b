import { AsyncLocalStorage } from "node:async_hooks";
import { type Language, speakAsAsked, spokenNow } from "@lampcrate/core";
import { isLanguage, type LanguageId, languageCookie, languageIds } from "@lampcrate/words";
import { allLanguages } from "@lampcrate/words/all";
import type { Context, MiddlewareHandler } from "hono";
import { accepts } from "hono/accepts";
import { getCookie, setCookie } from "hono/cookie";

const asked = new AsyncLocalStorage<Language>();
speakAsAsked(() => asked.getStore());

/** What a family's device speaks: as it was switched to, else as the browser says, else English. */
function languageAsked(c: Context): LanguageId {
  const chosen = getCookie(c, languageCookie) ?? "";
  if (isLanguage(chosen)) return chosen;
  const spoken = accepts(c, {
    header: "Accept-Language",
    supports: [...languageIds] as string[],
    default: "en",
    match: (given, { supports }) =>
      [...given]
        .sort((a, b) => b.q - a.q)
        .map(({ type }) => type.split("-")[0]?.toLowerCase() ?? "")
        .find((id) => supports.includes(id)) ?? "en",
  });
  return isLanguage(spoken) ? spoken : "en";
}

/** The language of whoever asks. */
export function languageIdNow(): LanguageId {
  const { id } = spokenNow();
  return isLanguage(id) ? id : "en";
}

/**
 * Answers whoever asks in their language. What is answered so is for nobody on the way to keep: it says "private" or
 * "no-store", and no "vary", by which a device would not find what it keeps itself.
 */
export const inTheirLanguage: MiddlewareHandler = async (c, next) => {
  const id = languageAsked(c);
  c.header("content-language", id);
  await asked.run(allLanguages[id], next);
};

/** A page asked for with ?in=es is switched to it, for this device and from now on. */
export const switchedLanguage: MiddlewareHandler = async (c, next) => {
  const wanted = c.req.query("in") ?? "";
  if (!isLanguage(wanted)) return next();
  setCookie(c, languageCookie, wanted, { path: "/", sameSite: "Lax", maxAge: 365 * 24 * 3600 });
  const { pathname } = new URL(c.req.url);
  return c.redirect(pathname, 303);
};
