/** Where sheets are kept on the device. */
export const sheetCache = "lampcrate-sheets";

/** What the browser is asked to wake the worker for once there is a line. */
export const syncName = "lampcrate-send";
