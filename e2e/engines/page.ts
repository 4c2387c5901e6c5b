/** A page in one browser engine, used as a person does: by the words that stand on it. */
export interface EnginePage {
  readonly open: (url: string) => Promise<void>;
  readonly reload: () => Promise<void>;
  /** Runs a function body in the page; what it is given and returns is plain data. */
  readonly run: <Answer>(body: string, ...given: readonly unknown[]) => Promise<Answer>;
  /** Presses the button, link or fold whose words or label begin so. */
  readonly press: (words: string) => Promise<void>;
  /** Types into the field whose label begins so, within a region. */
  readonly type: (region: string, label: string, text: string) => Promise<void>;
  /** Gives a file to the field whose label begins so. */
  readonly give: (label: string, path: string) => Promise<void>;
  readonly close: () => Promise<void>;
}

/** The body of a function that finds what can be pressed by its words; null while it isn't there or rests. */
export const pressable = `
  const [words] = arguments;
  const said = (one) => (one.getAttribute("aria-label") ?? one.textContent).trim().replace(/\\s+/g, " ");
  return [...document.querySelectorAll("button, a[href], summary")].find((one) => !one.disabled && said(one).startsWith(words)) ?? null;
`;

/** The body of a function that finds a field by its label, within a region unless that is "". */
export const fieldOf = `
  const [region, label] = arguments;
  const named = (one) => (one.getAttribute("aria-label") ?? document.getElementById(one.getAttribute("aria-labelledby"))?.textContent ?? "").trim();
  const within = region === "" ? document : [...document.querySelectorAll("section")].find((one) => named(one).startsWith(region));
  const said = (one) => (one.getAttribute("aria-label") ?? [...(one.labels ?? [])].map((l) => l.textContent).join(" ")).trim();
  return [...(within?.querySelectorAll("input, textarea") ?? [])].find((one) => said(one).startsWith(label)) ?? null;
`;

const patienceMs = 20_000;

/** Waits for something; throws with what was waited for when it never comes. */
export async function until<Found>(what: string, look: () => Promise<Found | null | false>): Promise<Found> {
  const end = Date.now() + patienceMs;
  for (;;) {
    const found = await look();
    if (found !== null && found !== false) return found;
    if (Date.now() > end) throw new Error(`${what}: not within ${patienceMs / 1000} s`);
    await new Promise((rest) => setTimeout(rest, 100));
  }
}

/** What stands in a field. */
export const typedIn = (page: EnginePage, region: string, label: string): Promise<string | null> =>
  page.run(`const field = (function () { ${fieldOf} }).apply(null, arguments); return field ? field.value : null;`, region, label);

/** Waits until these words stand on the page. */
export const reads = (page: EnginePage, words: string): Promise<boolean> =>
  until(`“${words}”`, () => page.run<boolean>("return document.body.innerText.includes(arguments[0])", words));
