import { type ReactNode, useEffect, useRef } from "react";

const takesKeys = "input:not([disabled]), textarea:not([disabled]), [contenteditable='true'], button:not([disabled]), [tabindex='0']";

/** What was opened has the keys in its first field; once it is gone they are back where they were, unless somebody has taken them elsewhere. */
export function FocusIn({ children }: { readonly children: ReactNode }) {
  const inside = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const before = document.activeElement;
    inside.current?.querySelector<HTMLElement>(takesKeys)?.focus();
    return () => {
      const nowhere = document.activeElement === null || document.activeElement === document.body;
      if (nowhere && before instanceof HTMLElement && before.isConnected) before.focus();
    };
  }, []);
  return <div ref={inside}>{children}</div>;
}
