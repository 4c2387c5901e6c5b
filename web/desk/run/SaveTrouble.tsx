import type { FieldClash } from "@lampcrate/core";
import { Radio } from "antd";
import { lazy, Suspense, useState } from "react";
import { Button } from "../pieces/Button.tsx";
import { useBriefWork, useCrateWork, useRunActions } from "../work/RunContext.ts";
import type { Stale } from "../work/useBriefDraft.ts";
import { clashWords } from "./clashWords.ts";

const SignInForm = lazy(async () => ({ default: (await import("../shell/SignIn.tsx")).SignInForm }));

/** What stands between the draft and the server, and the ways on. Nothing typed is lost. */
export function SaveTrouble() {
  const { state, joined } = useBriefWork();
  const { headsTrouble } = useCrateWork();
  const { retry, seen } = useRunActions();
  if (headsTrouble !== null && state.kind === "saved") {
    return (
      <p className="trouble run-trouble" role="alert">
        The heads are not saved yet: {headsTrouble} Move the dial again to try once more.
      </p>
    );
  }
  if (state.kind === "refused") {
    return (
      <section className="trouble run-trouble" role="alert">
        <p>{state.words}</p>
        <Button onClick={retry}>Try again</Button>
      </section>
    );
  }
  if (state.kind === "signed out") {
    return (
      <section className="plain-words run-trouble" role="alert">
        <p>
          <strong>Your sign-in has ended.</strong> What you typed is still here. Sign in again and it is saved.
        </p>
        <Suspense>
          <SignInForm onDone={retry} />
        </Suspense>
      </section>
    );
  }
  if (state.kind === "stale") return <Clashes state={state} />;
  return joined.length === 0 ? null : (
    <section className="plain-words run-trouble" role="status">
      <p>Saved meanwhile by somebody else, and kept beside yours: {joined.join("; ")}.</p>
      <Button size="small" onClick={seen}>
        Good
      </Button>
    </section>
  );
}

/** What both changed, field by field; all else is joined already. */
function Clashes({ state }: { readonly state: Stale }) {
  const { run, brief } = useBriefWork();
  const { materials } = useCrateWork();
  const { settle } = useRunActions();
  const [chosen, setChosen] = useState<Readonly<Record<string, "mine" | "theirs">>>({});
  const key = (clash: FieldClash): string => clash.place.join(" ");
  const open = state.clashes.filter((clash) => chosen[key(clash)] === undefined).length;
  return (
    <section className="trouble run-trouble" role="alert">
      <p>
        <strong>Somebody saved this brief while you worked on it, and changed what you changed.</strong>{" "}
        {state.changed.length > 0 ? `${state.changed.join("; ")}.` : ""} Which shall it be? All else is joined.
      </p>
      {state.clashes.map((clash) => {
        const { what, mine, theirs } = clashWords(clash, brief, materials, run.units);
        return (
          <div key={key(clash)} className="row" role="group" aria-label={what}>
            <strong>{what}</strong>
            <Radio.Group
              value={chosen[key(clash)] ?? null}
              options={[
                { value: "mine", label: `yours, ${mine}` },
                { value: "theirs", label: `theirs, ${theirs}` },
              ]}
              onChange={(event) => setChosen({ ...chosen, [key(clash)]: event.target.value })}
            />
          </div>
        );
      })}
      <Button disabled={open > 0} onClick={() => settle((clash) => chosen[key(clash)] === "theirs")}>
        {open > 0 ? `Choose for ${open === 1 ? "the one" : `all ${open}`} first` : "Save it so"}
      </Button>
    </section>
  );
}
