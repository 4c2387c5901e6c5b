import { Button } from "./Button.tsx";

interface NotReckonedProps {
  /** What was to be reckoned. */
  readonly what: string;
  readonly why: string;
  readonly onAgain: () => void;
}

/** What broke while it was reckoned, and the way on; whatever was typed is still there. */
export function NotReckoned({ what, why, onAgain }: NotReckonedProps) {
  return (
    <p role="alert" className="trouble">
      {what} could not be reckoned: {why.replace(/[.\s]+$/, "")}. Nothing you typed is lost.{" "}
      <Button size="small" onClick={onAgain}>
        Try again
      </Button>
    </p>
  );
}
