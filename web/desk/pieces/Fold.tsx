import { DownOutlined, RightOutlined } from "@ant-design/icons";
import { type ReactNode, useId } from "react";
import { useKeptState } from "../../shared/useKeptState.ts";
import { Button } from "./Button.tsx";
import { Open } from "./Lock.tsx";
import "./fold.css";

interface FoldProps {
  readonly name: string;
  readonly title: ReactNode;
  /** What it holds, said while it is folded. */
  readonly holds: string;
  /** Where it is reached by a jump. */
  readonly at: string;
  readonly children: ReactNode;
}

/** A long part of a page, folded with what it holds said; whoever opens it finds it open for as long as they are here. */
export function Fold({ name, title, holds, at, children }: FoldProps) {
  const [open, setOpen] = useKeptState(`fold-${at}`, false);
  const body = useId();
  return (
    <section className="sheet pad stack fold" aria-label={name} id={at}>
      <div className="fold-head">
        <h2>{title}</h2>
        <Open>
          <Button
            type="text"
            size="small"
            aria-expanded={open}
            aria-controls={body}
            icon={open ? <DownOutlined aria-hidden /> : <RightOutlined aria-hidden />}
            onClick={() => setOpen(!open)}
          >
            {open ? "fold" : `open: ${holds}`}
          </Button>
        </Open>
      </div>
      {open ? (
        <div id={body} className="stack">
          {children}
        </div>
      ) : null}
    </section>
  );
}
