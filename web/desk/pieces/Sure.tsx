import { Popconfirm } from "antd";
import { Button } from "./Button.tsx";

interface SureProps {
  /** What the button says, and the press that does it. */
  readonly words: string;
  readonly question: string;
  /** What goes and what stays. */
  readonly told: string;
  readonly onSure: () => Promise<void> | void;
}

/** A button for what can't be taken back: it asks once, saying what goes and what stays. */
export function Sure({ words, question, told, onSure }: SureProps) {
  return (
    <Popconfirm
      title={question}
      description={told}
      okText={words}
      cancelText="Keep it"
      icon={null}
      placement="topLeft"
      arrow={false}
      styles={{ root: { maxWidth: 380 }, container: { border: "1px solid var(--ink)", boxShadow: "none" } }}
      okButtonProps={{ type: "default", danger: true }}
      onConfirm={onSure}
    >
      <Button danger>{words}</Button>
    </Popconfirm>
  );
}
