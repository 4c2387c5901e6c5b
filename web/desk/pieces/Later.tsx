import { type ReactNode, useDeferredValue } from "react";

interface LaterProps {
  readonly children: ReactNode;
}

/** Much to draw: it is made ready once what stands around it is on the screen, and the page goes on answering. One within another comes after it. */
export function Later({ children }: LaterProps) {
  return useDeferredValue(true, false) ? children : null;
}

interface OneByOneProps {
  readonly children: readonly ReactNode[];
}

/** Several that are much to draw: each is made ready once the one before is on the screen. */
export function OneByOne({ children: [first, ...rest] }: OneByOneProps) {
  return (
    <>
      {first}
      {rest.length > 0 ? (
        <Later>
          <OneByOne>{rest}</OneByOne>
        </Later>
      ) : null}
    </>
  );
}
