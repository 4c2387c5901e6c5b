import {
  type DndContextProps,
  type DragMoveEvent,
  type DragStartEvent,
  MouseSensor,
  TouchSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import type { CalendarDoc, CalendarSession, SessionInput } from "@lampcrate/contract";
import { useRef } from "react";
import type { By } from "./lanes.ts";
import { inputOnly, type Lane, longerBy, movedTo, snapped } from "./moves.ts";
import type { Holding } from "./useHeld.ts";

/** What is dragged: the whole session, or its end. */
interface Dragged {
  readonly session: CalendarSession;
  readonly row: string;
  readonly edge: "all" | "end";
}

interface DragBy {
  readonly doc: CalendarDoc;
  readonly by: By;
  readonly isMonth: boolean;
  readonly holding: Holding;
  /** px */
  readonly perMinute: number;
  readonly onDrop: () => void;
}

/** Where the pointer is, px of the window. */
type Point = readonly [x: number, y: number];

/**
 * Dragging: the session in hand follows the pointer by steps, from lane to lane; it is put down where nothing is in its
 * way. The board is one thing to be dragged: which session is meant is where the drag began, which lane is what lies
 * under the pointer. With a draggable for every bar all of them would be painted anew at every lane.
 */
export function useDragging({ doc, by, isMonth, holding, perMinute, onDrop }: DragBy): DndContextProps {
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 4 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 180, tolerance: 8 } }),
  );
  const dragged = useRef<Dragged | null>(null);
  const pointer = usePointer();
  const lanes = useLanes();
  const last = useRef("");
  const candidateOf = ({ session, row, edge }: Dragged, delta: DragMoveEvent["delta"]): Partial<SessionInput> | null => {
    const minutes = isMonth ? 0 : snapped(delta.x / perMinute);
    if (edge === "end") return inputOnly(longerBy(session, minutes));
    const lane = lanes.at(pointer.at());
    return lane ? inputOnly(movedTo(session, by, row, lane, minutes)) : null;
  };
  return {
    sensors,
    onDragStart: ({ activatorEvent }) => {
      last.current = "";
      dragged.current = draggedFrom(activatorEvent, doc);
      pointer.follow();
      lanes.forget();
      if (dragged.current) holding.take(dragged.current.session, true);
    },
    onDragMove: ({ delta }) => {
      const next = dragged.current && candidateOf(dragged.current, delta);
      const key = JSON.stringify(next);
      if (next === null || key === last.current) return;
      last.current = key;
      holding.set(next);
    },
    onDragEnd: () => {
      pointer.leave();
      holding.letGo();
      if (holding.changed && holding.refused === null) onDrop();
    },
    onDragCancel: () => {
      pointer.leave();
      holding.leave();
    },
  };
}

function draggedFrom({ target }: DragStartEvent["activatorEvent"], doc: CalendarDoc): Dragged | null {
  const bar = target instanceof Element ? target.closest<HTMLElement>("[data-bar]") : null;
  const session = doc.sessions.find(({ id }) => id === bar?.dataset["bar"]);
  if (!bar || !session) return null;
  const edge = target instanceof Element && target.closest(".bar-end") ? "end" : "all";
  return { session, row: bar.dataset["row"] ?? "", edge };
}

/** The lanes on the page, measured once and again after the page was scrolled: to ask what lies under the pointer lays the page out anew at every move. */
function useLanes() {
  const measured = useRef<readonly { readonly lane: Lane; readonly box: DOMRect }[] | null>(null);
  const forget = (): void => {
    measured.current = null;
  };
  return {
    forget,
    at: (point: Point | null): Lane | null => {
      if (point === null) return null;
      if (measured.current === null) {
        window.addEventListener("scroll", forget, { capture: true, once: true, passive: true });
        measured.current = measure();
      }
      const [x, y] = point;
      return measured.current.find(({ box }) => box.left <= x && x < box.right && box.top <= y && y < box.bottom)?.lane ?? null;
    },
  };
}

const measure = () =>
  [...document.querySelectorAll<HTMLElement>("[data-date]")].map((element) => {
    const { date = "", row = "" } = element.dataset;
    return { lane: { date, row }, box: element.getBoundingClientRect() };
  });

/** The pointer while something is dragged, be it a mouse or a finger. */
function usePointer() {
  const at = useRef<Point | null>(null);
  const end = useRef<(() => void) | null>(null);
  const leave = (): void => {
    end.current?.();
    end.current = null;
  };
  return {
    at: (): Point | null => at.current,
    leave,
    follow: (): void => {
      leave();
      const mouse = ({ clientX, clientY }: MouseEvent): void => {
        at.current = [clientX, clientY];
      };
      const touch = ({ touches: [finger] }: TouchEvent): void => {
        if (finger) at.current = [finger.clientX, finger.clientY];
      };
      window.addEventListener("mousemove", mouse, true);
      window.addEventListener("touchmove", touch, { capture: true, passive: true });
      end.current = () => {
        window.removeEventListener("mousemove", mouse, true);
        window.removeEventListener("touchmove", touch, true);
      };
    },
  };
}
