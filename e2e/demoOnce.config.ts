import { loadDemoOnce } from "./harness.ts";

/** Before the first journey: the demo, loaded once for all of them. */
export default loadDemoOnce;
