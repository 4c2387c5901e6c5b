import { useDraggable } from "@dnd-kit/core";
import type { ReactNode, SyntheticEvent } from "react";
import { useLocked } from "../../shared/pieces/locked.ts";

/** The board as one thing to be dragged, from where a session's bar is pressed. */
export function Grip({ children }: { readonly children: ReactNode }) {
  const { setNodeRef, listeners } = useDraggable({ id: "board", disabled: useLocked() });
  const onBars = Object.fromEntries(
    Object.entries(listeners ?? {}).map(([name, listen]) => [
      name,
      (event: SyntheticEvent) => event.target instanceof Element && event.target.closest("[data-bar]") && listen(event),
    ]),
  );
  return (
    <div ref={setNodeRef} {...onBars}>
      {children}
    </div>
  );
}
