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
            <div className="row airy" key={key}>
              <dt className="box-s">
                <kbd>{key === " " ? "Space" : key}</kbd>
              </dt>
              <dd>{words}</dd>
            </div>
          ),
        )}
      </dl>
    </Modal>
  );
}
