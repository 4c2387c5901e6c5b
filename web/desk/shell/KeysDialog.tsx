import { Modal } from "antd";
import { activeKeys } from "../pieces/keys.ts";

/** Every key that works where one is. */
export function KeysDialog({ onClose }: { readonly onClose: () => void }) {
  const always = [
    { key: "Tab", words: "from thing to thing; arrow keys move a ruler, Page Up and Down ten steps" },
    { key: "Esc", words: "close, or take back what is being typed" },
  ];
  return (
    <Modal open title="Keys that work here" onCancel={onClose} footer={null} width={460}>
      <dl className="keys">
        {[...activeKeys().map(({ key, ctrl, words }) => ({ key: ctrl ? `Ctrl ${key.toUpperCase()}` : key, words })), ...always].map(
          ({ key, words }) => (
            <div className="row" key={key} style={{ padding: "4px 0" }}>
              <dt style={{ width: 66 }}>
                <kbd>{key === " " ? "Space" : key}</kbd>
              </dt>
              <dd style={{ margin: 0 }}>{words}</dd>
            </div>
          ),
        )}
      </dl>
    </Modal>
  );
}
