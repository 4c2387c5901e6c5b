import { Tooltip } from "antd";
import type { ReactNode } from "react";
import "./term.css";
import { type TermId, terms } from "./terms.ts";

/** A word of ours with its meaning, for the pointer and for the keys. */
export function Term({ of, children }: { readonly of: TermId; readonly children: ReactNode }) {
  return (
    <Tooltip title={terms[of]} trigger={["hover", "focus"]} mouseEnterDelay={0.3}>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what a pointer finds here the keys must find too */}
      <span className="term" tabIndex={0}>
        {children}
      </span>
    </Tooltip>
  );
}
