/** An instant as it stands in a file's name, UTC: "2026-11-25T100000". */
export const fileStamp = (at: number): string => new Date(at).toISOString().slice(0, 19).replaceAll(":", "");
