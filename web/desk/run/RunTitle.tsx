import { type RunKind, runKinds } from "@lampcrate/core";
import { Input } from "antd";
import { useState } from "react";
import { Button } from "../pieces/Button.tsx";
import { Choose } from "../pieces/Choose.tsx";
import { Labelled } from "../pieces/Labelled.tsx";
import { Lock, useMay } from "../pieces/Lock.tsx";
import { useBriefWork } from "../work/RunContext.ts";
import { useRunSettings } from "../work/useRunSettings.ts";

/** The run's title and how it is offered, changed in place. */
export function RunTitle() {
  const { run } = useBriefWork();
  const [changing, setChanging] = useState(false);
  const may = useMay();
  if (changing) return <TitleForm onDone={() => setChanging(false)} />;
  const status = run.status === "published" ? `published, version ${run.publishedVersion}, code ${run.code}` : run.status;
  return (
    <div className="row baseline">
      <h1>{run.title}</h1>
      <span className="soft">
        {run.kind}, {status}
        {run.archived ? ", put away" : ""}
      </span>
      {may("plan") ? (
        <Button type="text" size="small" onClick={() => setChanging(true)}>
          rename
        </Button>
      ) : null}
    </div>
  );
}

function TitleForm({ onDone }: { readonly onDone: () => void }) {
  const { run } = useBriefWork();
  const { change, trouble } = useRunSettings();
  const [title, setTitle] = useState(run.title);
  const [kind, setKind] = useState<RunKind>(run.kind);
  const save = async (): Promise<void> => {
    if (await change({ ...(title === run.title ? {} : { title }), ...(kind === run.kind ? {} : { kind }) })) onDone();
  };
  return (
    <form
      className="row feet"
      aria-label="Title and kind"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
      onKeyDown={(event) => event.key === "Escape" && onDone()}
    >
      <Lock to="plan">
        <Labelled label="Title" trouble={trouble?.fieldMessage("title") ?? trouble?.message}>
          <Input required autoFocus className="box-xl" maxLength={80} value={title} onChange={(event) => setTitle(event.target.value)} />
        </Labelled>
        <Labelled label="How it is offered" trouble={trouble?.fieldMessage("kind")}>
          <Choose label="How it is offered" value={kind} options={runKinds.map((value) => ({ value, label: value }))} onChoose={setKind} />
        </Labelled>
        <Button htmlType="submit" type="primary">
          Keep it
        </Button>
        <Button type="text" size="small" onClick={onDone}>
          leave it
        </Button>
      </Lock>
    </form>
  );
}
