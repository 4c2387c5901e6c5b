import { Skeleton } from "antd";
import "./opening.css";

interface OpeningProps {
  /** What is being opened, such as "the store room". */
  readonly what: string;
  /** A part of a page; left out for a whole one. */
  readonly part?: boolean;
}

/** What stands there until a view has come: its lines as they will lie, and for whoever listens, what is being waited for. */
export function Opening({ what, part = false }: OpeningProps) {
  const lines = (
    <>
      <p className="unseen" role="status">
        Opening {what} …
      </p>
      <div className="sheet pad opening" aria-hidden="true">
        <Skeleton active title={{ width: 220 }} paragraph={{ rows: 5 }} />
      </div>
    </>
  );
  return part ? <div>{lines}</div> : <main className="page">{lines}</main>;
}
