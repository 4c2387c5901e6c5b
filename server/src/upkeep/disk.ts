import { statfsSync } from "node:fs";

/** Free space where a folder is, MB. */
export function freeMb(folder: string): number {
  const { bavail, bsize } = statfsSync(folder);
  return (bavail * bsize) / 1024 / 1024;
}
