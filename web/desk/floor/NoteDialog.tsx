import { Input, Modal } from "antd";
import { useState } from "react";
import { Button } from "../pieces/Button.tsx";

export type NoteKind = "near miss" | "ran short" | "note";

export const noteWords: Readonly<Record<NoteKind, { readonly button: string; readonly title: string; readonly asks: string }>> = {
  "near miss": { button: "Near miss", title: "Near miss", asks: "What nearly hurt somebody, and where? Nobody's name." },
  "ran short": { button: "Ran short", title: "What ran short?", asks: "Or in words" },
  note: { button: "Note", title: "Note", asks: "For next time. Nobody's name." },
};

interface NoteDialogProps {
  readonly kind: NoteKind;
  /** What is in the crate, named at one tap. */
  readonly kit: readonly string[];
  readonly onKeep: (words: string) => void;
  readonly onClose: () => void;
}

/** Something written down on the floor, in a tap or a few words. */
export function NoteDialog({ kind, kit, onKeep, onClose }: NoteDialogProps) {
  const [words, setWords] = useState("");
  const { title, asks } = noteWords[kind];
  return (
    <Modal open centered width={520} title={title} footer={null} onCancel={onClose} className="floor-dialog">
      {kind === "ran short" ? (
        <div className="plain-keys">
          {kit.map((name) => (
            <Button key={name} className="floor-key" onClick={() => onKeep(name)}>
              {name}
            </Button>
          ))}
        </div>
      ) : null}
      <form
        className="stack near"
        onSubmit={(event) => {
          event.preventDefault();
          if (words.trim() !== "") onKeep(words.trim());
        }}
      >
        <label>
          <span className="field-label">{asks}</span>
          <Input
            size="large"
            maxLength={200}
            value={words}
            autoFocus={kind !== "ran short"}
            onChange={({ target }) => setWords(target.value)}
          />
        </label>
        <Button type="primary" htmlType="submit" className="floor-key" disabled={words.trim() === ""}>
          Keep it
        </Button>
      </form>
    </Modal>
  );
}
