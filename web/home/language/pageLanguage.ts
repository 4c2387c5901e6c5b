import { speak } from "@lampcrate/core";
import { isLanguage, type LanguageId, languageCookie, languageOf } from "@lampcrate/words";

/** A page that the server drew says in which language; any other is in the one that was chosen here, else in the device's. */
function pageLanguage(): LanguageId {
  const drawn = document.getElementById("given-sheet") ? document.documentElement.lang : "";
  const chosen = new RegExp(`(?:^|; )${languageCookie}=([a-z]+)`).exec(document.cookie)?.[1] ?? "";
  const spoken = navigator.languages.map((tag) => tag.split("-")[0]?.toLowerCase() ?? "");
  return [drawn, chosen, ...spoken].find(isLanguage) ?? "en";
}

/** Speaks the page's language from now on. */
export async function speakPageLanguage(): Promise<void> {
  const id = pageLanguage();
  document.documentElement.lang = id;
  try {
    speak(await languageOf(id));
  } catch {
    // Without a line, and never fetched before: English is better than nothing.
    document.documentElement.lang = "en";
  }
}
