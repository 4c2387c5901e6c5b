import "../shared/tokens.css";
import "../shared/logbook/logbook.css";
import "./home.css";
import "./print.css";
import { showLetters } from "./letters.ts";

showLetters();

/** Whether the server drew the page: then it is read before its script begins. */
const isDrawn = document.getElementById("given-sheet") !== null;

function begin(): void {
  // Asked for beside the rest, not after it.
  if (location.pathname.endsWith("/log")) void import("./logbook/Logbook.tsx");
  void import("./app.tsx");
}

if (isDrawn) requestAnimationFrame(() => setTimeout(begin));
else begin();
