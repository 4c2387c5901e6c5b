/** Where sheets are kept on the device. */
export const sheetCache = "lampcrate-sheets";

/** What the browser is asked to wake the worker for once there is a line. */
export const syncName = "lampcrate-send";

/** A file of words, by its address: a device keeps those of its own language alone. */
export const languageFile = /^\/assets\/read-in-[^/]+\.js$/;
