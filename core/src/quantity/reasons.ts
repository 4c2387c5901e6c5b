import { said, saying } from "../language/language.ts";
import type { Refusal } from "./number.ts";
import type { Asked } from "./parse.ts";

const example: Readonly<Record<Asked["dimension"], string>> = {
  length: "such as 54 cm or 2 ft 6 1/2 in",
  mass: "such as 900 g or 1,5 kg",
  time: "such as 1.62 or 1 min 5 s",
  count: "such as 23",
  angle: "such as 45 or 45 deg",
  speed: "such as 3 m/s or 10 km/h",
};

/** A refusal in words that say how to mend the input; `text` is what was typed. */
export function refusalWords(reason: Refusal, text: string, asked: Asked): string {
  const like = said(example[asked.dimension]);
  const what = said(asked.dimension);
  switch (reason) {
    case "empty":
      return saying`Type a ${what}, ${like}.`;
    case "ambiguous":
      return saying`Does ${text.trim()} mean ${text.trim().replace(",", ".")} or ${text.trim().replace(",", "")}? Please type it one of these ways.`;
    case "below zero":
      return said("This can't be below zero.");
    case "part too big":
      return said("The smaller part is as large as the larger one. Carry it over: 3 ft 2 in, not 2 ft 14 in.");
    case "mixed systems":
      return said("Use either metric or feet and inches (pounds and ounces), not both in one value.");
    case "wrong dimension":
      return saying`That unit doesn't measure a ${what}. Type it ${like}.`;
    case "not whole":
      return said("Only whole ones can be counted here.");
    case "clock":
      return said("Write minutes and seconds with two digits below 60, such as 1:05.");
    case "fraction over zero":
      return said("A fraction can't be over zero.");
    case "token mass unknown":
      return said("We don't know what one weighs. Weigh ten of them together and type the grams.");
    case "too big":
      return said("That is more than there can be. Look at its digits again.");
    case "unknown word":
      return saying`We don't know that word as a unit. Type it ${like}.`;
    default:
      return saying`We can't read that as one number. Type it ${like}.`;
  }
}
