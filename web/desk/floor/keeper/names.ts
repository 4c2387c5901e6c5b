/** Where the floor keeps what it reads from the server. */
export const floorCache = "lampcrate-floor";

/** What the pages of the floor read: who is signed in, the house, the calendar, and the floor of a session. */
export const floorReads = /^\/api\/(me|setup|house|calendar|sessions\/[^/]+\/floor)$/;
