import type { DropIn, Takes } from "./dropIn.ts";

/** What is wrong with a day's numbers, by field, in words that say how to mend it. */
export function dropInErrors(day: DropIn): readonly { readonly field: string; readonly message: string }[] {
  const errors: { field: string; message: string }[] = [];
  const ask = (ok: boolean, field: string, message: string): void => {
    if (!ok) errors.push({ field, message });
  };
  const { weights, partySizeShares, lastEntryMin, closingMin } = day;
  ask(closingMin > 0, "closingMin", "The day closes after it opens.");
  ask(lastEntryMin > 0 && lastEntryMin <= closingMin, "lastEntryMin", "Last entry lies between opening and closing.");
  ask(day.graceMin >= 0, "graceMin", "Minutes after closing until all stop: 0 or more.");
  ask(day.expectedParties >= 0, "expectedParties", "Parties expected: 0 or more.");
  const isWeight = weights.length > 0 && weights.every((weight) => Number.isFinite(weight) && weight >= 0);
  ask(isWeight, "weights", "Each quarter hour has a weight of 0 or more.");
  const isSome = weights.some((weight) => weight > 0);
  ask(
    !isWeight || isSome || day.expectedParties === 0,
    "weights",
    "The profile of arrivals is all zeros: raise it where parties come, or expect none.",
  );
  const shares = partySizeShares.reduce((sum, share) => sum + share, 0);
  ask(
    partySizeShares.length > 0 && partySizeShares.length < 64 && partySizeShares.every((share) => share >= 0) && shares > 0,
    "partySizeShares",
    "Say how many parties are of one, of two and so on: shares of 0 or more, not all of them 0.",
  );
  for (const what of ["seats", "kits", "hosts", "rigs"] as const) {
    const count = day[what];
    ask(count === null || (Number.isInteger(count) && count >= 0), what, `${capital(what)}: a whole number, 0 or more, or endless.`);
  }
  const patience = day.patienceMeanMin;
  ask(patience === null || patience >= 0, "patienceMeanMin", "Minutes that parties wait for a seat: 0 or more, or endless.");
  for (const what of ["welcome", "build", "trial"] as const) errors.push(...takesErrors(what, day[what]));
  ask(Number.isInteger(day.trials) && day.trials >= 0 && day.trials <= 24, "trials", "Trials of a visit to the rig: 0 to 24.");
  ask(day.rebuildChance >= 0 && day.rebuildChance <= 1, "rebuildChance", "The share that builds again lies between 0 and 1.");
  ask(Number.isInteger(day.mostRebuilds) && day.mostRebuilds >= 0 && day.mostRebuilds <= 12, "mostRebuilds", "Rebuilds at most: 0 to 12.");
  ask(day.rebuildFraction >= 0 && day.rebuildFraction <= 5, "rebuildFraction", "A rebuild takes 0 to 5 times a build.");
  return errors;
}

function takesErrors(what: string, { meanMin, cv }: Takes): readonly { readonly field: string; readonly message: string }[] {
  return [
    ...(meanMin >= 0 ? [] : [{ field: `${what}.meanMin`, message: `${capital(what)}: minutes of 0 or more.` }]),
    ...(cv >= 0 && cv <= 5 ? [] : [{ field: `${what}.cv`, message: `${capital(what)}: a spread of 0 to 5 times the mean.` }]),
  ];
}

const capital = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1);
