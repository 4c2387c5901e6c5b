import type { PackPreview } from "@lampcrate/contract";
import { fileText } from "@lampcrate/core";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, ask } from "../../shared/client.ts";
import { Button } from "../pieces/Button.tsx";
import { FileDrop } from "../pieces/FileDrop.tsx";
import { Refused } from "../pieces/Refused.tsx";
import { useSave } from "../pieces/useSave.ts";
import { materialsQuery, seasonQuery } from "../queries.ts";

interface Read {
  readonly pack: object;
  readonly preview: PackPreview;
}

/** Brings in a challenge pack from another house: shows what it holds, or what is wrong with it, before anything is kept. */
export function ImportPack() {
  const [read, setRead] = useState<Read | null>(null);
  const [isJson, setIsJson] = useState(true);
  const navigate = useNavigate();
  const looking = useSave({
    send: (pack: object) => ask(api.packs.preview.$post({ json: pack })),
    onSaved: (preview, pack) => setRead({ pack, preview }),
  });
  const bringing = useSave({
    send: (pack: object) => ask(api.packs.$post({ json: pack })),
    onRenewed: ({ id }) => void navigate(`/run/${id}/brief`),
    renew: [materialsQuery, seasonQuery],
  });
  const look = async (file: File): Promise<void> => {
    setRead(null);
    bringing.forget();
    const pack = jsonOf(fileText(new Uint8Array(await file.arrayBuffer())));
    setIsJson(pack !== null);
    if (pack === null) looking.forget();
    else await looking.save(pack);
  };
  const trouble = looking.trouble ?? bringing.trouble;
  return (
    <section className="sheet pad stack" aria-label="Bring in a challenge pack">
      <h2>Bring in a challenge pack</h2>
      <FileDrop label="A challenge-pack.json from another house" accept="application/json,.json" onFile={(file) => void look(file)} />
      {isJson ? null : (
        <p role="alert" className="trouble">
          This file is not JSON. Choose the challenge-pack.json that the other house exported.
        </p>
      )}
      {trouble === null && isJson ? null : <p className="small">Nothing was brought in.</p>}
      <Refused trouble={trouble} />
      {read ? <Preview preview={read.preview} onBring={() => void bringing.save(read.pack)} /> : null}
    </section>
  );
}

function Preview({ preview, onBring }: { readonly preview: PackPreview; readonly onBring: () => void }) {
  return (
    <div className="stack near">
      <p>
        <strong>{preview.title}.</strong> {preview.goal}
      </p>
      <p className="small">
        {preview.lines.length} lines: {preview.lines.join("; ")}. {preview.tiers} tiers, {preview.cautions} cautions of its own,{" "}
        {preview.rules} rules, {preview.hints} hints.
      </p>
      {preview.newMaterials.length > 0 ? (
        <p className="small">New in the store room, none on hand: {preview.newMaterials.join(", ")}.</p>
      ) : null}
      {preview.unknown.length > 0 ? <p className="small">Not known here, kept for the way out: {preview.unknown.join(", ")}.</p> : null}
      <Button onClick={onBring}>Bring it in as a new run</Button>
    </div>
  );
}

/** What a file holds, if it is an object or a list in JSON. */
function jsonOf(text: string): object | null {
  try {
    const read: unknown = JSON.parse(text);
    return typeof read === "object" ? read : null;
  } catch {
    return null;
  }
}
