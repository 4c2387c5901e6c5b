import "../shared/tokens.css";
import "../shared/logbook/logbook.css";
import "./home.css";
import "./print.css";
import { showLetters } from "./letters.ts";

showLetters();

/** Whether the server drew the page: then it is read before its script begins. */
const isDrawn = document.getElementById("given-sheet") !== null;

/** A script was lost on its way: the page says so, and goes on once the line is back, or at a press. */
function cutOff(): void {
  const told = document.getElementById("cut-off");
  told?.removeAttribute("hidden");
  told?.querySelector("button")?.addEventListener("click", () => location.reload());
  addEventListener("online", () => location.reload());
}

function begin(): void {
  // It begins in a turn of its own: with all that rests on it, it would hold a slow phone up for a quarter of a second.
  import("react-dom/client").catch(() => undefined);
  // Asked for beside the rest, not after it.
  if (location.pathname.endsWith("/log")) import("./logbook/Logbook.tsx").catch(() => undefined);
  import("./app.tsx").then(({ begun }) => begun).catch(cutOff);
}

if (isDrawn) requestAnimationFrame(() => setTimeout(begin));
else begin();
