import type { ReactNode } from "react";

interface LabelledProps {
  readonly label: string;
  /** Why what is typed can't be taken. */
  readonly trouble?: string | null | undefined;
  readonly children: ReactNode;
}

/** A control under its label, with a word on what is wrong with it. */
export function Labelled({ label, trouble, children }: LabelledProps) {
  return (
    // biome-ignore lint/a11y/noLabelWithoutControl: the control is the child
    <label>
      <span className="field-label small">{label}</span>
      {children}
      {trouble ? (
        <span role="alert" className="ruler-trouble">
          {trouble}
        </span>
      ) : null}
    </label>
  );
}
