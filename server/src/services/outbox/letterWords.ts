import { codeInAddress, dateWords, inLanguage, said, saying } from "@lampcrate/core";
import { isLanguage } from "@lampcrate/words";
import { allLanguages } from "@lampcrate/words/all";
import type { Store } from "../../db/open.ts";
import { houseDoc } from "../house/house.ts";
import { frozenVersion } from "../runs/briefs.ts";
import type { RunRow } from "../runs/runs.ts";

/** What a letter says. */
export interface Letter {
  readonly subject: string;
  readonly body: string;
}

/** Letters that many get. */
export type ManyKind = "thanks" | "reminder" | "reveal" | "won";

/** A letter of a run in a language, the challenge's name as the house gave it in that one. */
export function letterOf(db: Store, row: RunRow, kind: ManyKind, language: string): Letter {
  const id = isLanguage(language) ? language : "en";
  const own = row.publishedVersion === null ? {} : frozenVersion(db, row.briefId, row.publishedVersion).brief.translations[id];
  return inLanguage(allLanguages[id], () => written(row, kind, houseDoc(db).publicUrl), own);
}

function written({ title, code, closesOn }: RunRow, kind: ManyKind, publicUrl: string): Letter {
  const name = said(title);
  const closes = dateWords(closesOn ?? "");
  if (kind === "reveal")
    return {
      subject: saying`The reveal is up: ${name}`,
      body: saying`What everybody found together is shown at ${`${publicUrl}/h/${codeInAddress(code ?? "")}/reveal`}`,
    };
  if (kind === "won")
    return {
      subject: saying`You have won: ${name}`,
      body: said(
        "The lot fell on you. What you show to get your prize stands behind your private link: the house doesn't have that link, only you do.",
      ),
    };
  if (kind === "reminder")
    return {
      subject: saying`Entries close on ${closes}: ${name}`,
      body: saying`Entries close at the end of ${closes}. Until then you can add a version or put a number right behind your private link. What you have sent counts as it is.`,
    };
  return {
    subject: saying`Thank you for what you measured: ${name}`,
    body: closesOn
      ? saying`What you measured has come in. Somebody of the house looks at it before it counts. Behind your private link you can put it right until the end of ${closes}, and take it out or erase it at any time.`
      : said(
          "What you measured has come in. Somebody of the house looks at it before it counts. Behind your private link you can put it right, take it out, or erase it.",
        ),
  };
}

/** A sifter's question as a letter; its words are the sifter's. */
export function questionLetter(words: string, language: string): Letter {
  return inLanguage(allLanguages[isLanguage(language) ? language : "en"], () => ({
    subject: said("A question about what you measured"),
    body: `${words}\n\n${said("Answer it behind your private link. The house doesn't have that link: only you do.")}`,
  }));
}
