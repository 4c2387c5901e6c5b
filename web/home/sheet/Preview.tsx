import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { useParams } from "react-router";
import { useWords } from "../../shared/words/useWords.ts";
import { draftSheetQuery } from "../queries.ts";
import { Trouble } from "../Trouble.tsx";
import { OpenSheet } from "./OpenSheet.tsx";
import "./preview.css";

/** A sheet before it is published, for the house that writes it: framed by the desk, which says when something was saved. Nothing in it is followed. */
export function Preview() {
  const { run = "" } = useParams();
  const words = useWords();
  const sheet = useQuery(draftSheetQuery(run));
  const { refetch } = sheet;
  useEffect(() => {
    const heed = (event: MessageEvent): void => {
      if (event.origin === location.origin && event.data === "saved") void refetch();
    };
    addEventListener("message", heed);
    return () => removeEventListener("message", heed);
  }, [refetch]);
  if (sheet.isPending) return <main className="home soft">{words.common.loading}</main>;
  if (sheet.isLoadingError) return <Trouble error={sheet.error} onRetry={() => void refetch()} />;
  return (
    <div
      className="framed"
      onClickCapture={(event) => {
        event.preventDefault();
        event.stopPropagation();
      }}
      onKeyDownCapture={(event) => {
        if (event.key === "Enter") event.preventDefault();
      }}
    >
      <OpenSheet sheet={sheet.data} />
    </div>
  );
}
