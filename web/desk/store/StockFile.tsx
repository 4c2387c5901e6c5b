import type { CsvPreview } from "@lampcrate/contract";
import { fileText } from "@lampcrate/core";
import { useState } from "react";
import { api, ask } from "../../shared/client.ts";
import { Button } from "../pieces/Button.tsx";
import { FileDrop } from "../pieces/FileDrop.tsx";
import { useSave } from "../pieces/useSave.ts";

interface StockFileProps {
  readonly onDone: () => Promise<void>;
  readonly onLeave: () => void;
}

interface Read {
  readonly text: string;
  readonly preview: CsvPreview;
}

/** The store room out as CSV, and a changed one back in: what it would do is shown first, and nothing is taken while anything is wrong. */
export function StockFile({ onDone, onLeave }: StockFileProps) {
  const [read, setRead] = useState<Read | null>(null);
  const looking = useSave({
    send: (text: string) => ask(api.stock.csv.preview.$post({ json: { text } })),
    onSaved: (preview, text) => setRead({ text, preview }),
  });
  const taking = useSave({ send: (text: string) => ask(api.stock.csv.$post({ json: { text } })), onSaved: () => void onDone() });
  const look = async (file: File): Promise<void> => {
    setRead(null);
    taking.forget();
    await looking.save(fileText(new Uint8Array(await file.arrayBuffer())));
  };
  const trouble = looking.trouble ?? taking.trouble;
  return (
    <section className="sheet pad stack" aria-label="The store room as a file">
      <div className="row spread">
        <h2>As a file</h2>
        <Button href="/api/stock.csv">Take it out as CSV</Button>
      </div>
      <FileDrop
        label="Bring a CSV in: the first row names its columns, materials are found by name"
        accept=".csv,text/csv"
        onFile={(file) => void look(file)}
      />
      {trouble === null ? null : (
        <p role="alert" className="trouble">
          {trouble.message}
        </p>
      )}
      {read ? <Preview preview={read.preview} onTake={() => void taking.save(read.text)} /> : null}
      <div>
        <Button type="text" size="small" onClick={onLeave}>
          leave it
        </Button>
      </div>
    </section>
  );
}

function Preview({ preview, onTake }: { readonly preview: CsvPreview; readonly onTake: () => void }) {
  const doing = preview.rows.filter((row) => row.does !== "leaves as it is");
  if (preview.wrong.length > 0)
    return (
      <div role="alert" className="trouble">
        <p>Nothing can be taken from it yet. Put these right in the file and choose it again:</p>
        <ul>
          {preview.wrong.map((wrong) => (
            <li key={`${wrong.row} ${wrong.column} ${wrong.message}`}>
              Row {wrong.row}, {wrong.column}: {wrong.message}
            </li>
          ))}
        </ul>
      </div>
    );
  if (doing.length === 0) return <p>Nothing in it is different from what stands here.</p>;
  return (
    <>
      <ul className="plain-list">
        {doing.map((row) => (
          <li key={row.row}>
            <strong>{row.name}</strong> {row.does === "adds" ? "is new" : row.words.join(", ")}
          </li>
        ))}
      </ul>
      <div>
        <Button onClick={onTake}>
          Take {doing.length} {doing.length === 1 ? "row" : "rows"} over
        </Button>
      </div>
    </>
  );
}
