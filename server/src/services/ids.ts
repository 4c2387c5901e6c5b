import { nanoid } from "nanoid";

/** A new id of ours. */
export const newId = (): string => nanoid(16);

/** A new secret, 192 random bits. */
export const newSecret = (): string => nanoid(32);
