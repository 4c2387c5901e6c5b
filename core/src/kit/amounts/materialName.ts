/** What two names of one material have in common: case, kinds and numbers of spaces, and ways to write a letter don't tell them apart. */
export const materialKey = (name: string): string => name.normalize("NFKC").trim().replace(/\s+/g, " ").toLowerCase();
