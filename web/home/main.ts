import "../shared/tokens.css";
import "../shared/logbook/logbook.css";
import "./home.css";
import "./print.css";
import { showLetters } from "./letters.ts";

showLetters();

/** Whether the server drew the page: then it is read before its script begins. */
const isDrawn = document.getElementById("given-sheet") !== null;

function begin(): void {
  // It begins in a turn of its own: with all that rests on it, it would hold a slow phone up for a quarter of a second.
  void import("react-dom/client");
  // Asked for beside the rest, not after it.
  if (location.pathname.endsWith("/log")) void import("./logbook/Logbook.tsx");
  void import("./app.tsx");
}

if (isDrawn) requestAnimationFrame(() => setTimeout(begin));
else begin();
