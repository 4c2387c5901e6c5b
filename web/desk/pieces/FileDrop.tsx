import { Upload } from "antd";
import { useId, useState } from "react";
import "./fileDrop.css";

interface FileDropProps {
  readonly label: string;
  /** Kinds of files, as the browser names them. */
  readonly accept: string;
  readonly onFile: (file: File) => void;
}

/** A file chosen or dropped; it is read here, not sent. */
export function FileDrop({ label, accept, onFile }: FileDropProps) {
  const id = useId();
  const [name, setName] = useState<string | null>(null);
  return (
    <div className="file-drop">
      <label className="field-label small" htmlFor={id}>
        {label}
      </label>
      <Upload.Dragger
        id={id}
        accept={accept}
        showUploadList={false}
        beforeUpload={(file) => {
          setName(file.name);
          onFile(file);
          return false;
        }}
      >
        {name ?? "Choose a file, or drop it here"}
      </Upload.Dragger>
    </div>
  );
}
