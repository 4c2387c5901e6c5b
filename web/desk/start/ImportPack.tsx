import type { PackPreview } from "@lampcrate/contract";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { AskError, api, ask } from "../../shared/client.ts";
import { Button } from "../pieces/Button.tsx";
import { FileDrop } from "../pieces/FileDrop.tsx";
import { materialsQuery, seasonQuery } from "../queries.ts";

interface Read {
  readonly pack: object;
  readonly preview: PackPreview;
}

/** Brings in a challenge pack from another house: shows what it holds, or what is wrong with it, before anything is kept. */
export function ImportPack() {
  const [read, setRead] = useState<Read | null>(null);
  const [troubles, setTroubles] = useState<readonly string[]>([]);
  const navigate = useNavigate();
  const queries = useQueryClient();
  const look = async (file: File): Promise<void> => {
    setRead(null);
    setTroubles([]);
    try {
      const pack = JSON.parse(await file.text()) as object;
      setRead({ pack, preview: await ask(api.packs.preview.$post({ json: pack })) });
    } catch (error) {
      setTroubles(troublesOf(error));
    }
  };
  const bring = async (pack: object): Promise<void> => {
    try {
      const { id: run } = await ask(api.packs.$post({ json: pack }));
      void queries.invalidateQueries(seasonQuery);
      await queries.invalidateQueries(materialsQuery);
      await navigate(`/run/${run}/brief`);
    } catch (error) {
      setTroubles(troublesOf(error));
    }
  };
  return (
    <section className="sheet pad stack" aria-label="Bring in a challenge pack">
      <h2>Bring in a challenge pack</h2>
      <FileDrop label="A challenge-pack.json from another house" accept="application/json,.json" onFile={(file) => void look(file)} />
      {troubles.length > 0 ? (
        <div role="alert" className="trouble">
          <p>Nothing was brought in.</p>
          <ul>
            {troubles.map((trouble) => (
              <li key={trouble}>{trouble}</li>
            ))}
          </ul>
        </div>
      ) : null}
      {read ? <Preview preview={read.preview} onBring={() => void bring(read.pack)} /> : null}
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

function troublesOf(error: unknown): readonly string[] {
  if (error instanceof SyntaxError) return ["This file is not JSON. Choose the challenge-pack.json that the other house exported."];
  if (!(error instanceof AskError)) return ["The file could not be read. Try again."];
  return error.problem.errors?.map((e) => e.message) ?? [error.message];
}
