import { useQuery } from "@tanstack/react-query";
import { Input, Modal } from "antd";
import { type KeyboardEvent, useId, useState } from "react";
import { useNavigate } from "react-router";
import { useRested } from "../../shared/useRested.ts";
import { Button } from "../pieces/Button.tsx";
import { useMay } from "../pieces/Lock.tsx";
import { foundEntriesQuery, materialsQuery, seasonQuery, staffQuery, suppliersQuery } from "../queries.ts";
import { steps } from "../run/steps.ts";
import { placesFor } from "./places.ts";

/** Type a few letters, choose by the arrow keys, press Enter: runs and their steps, entries by alias, materials, suppliers, people, rooms of work. */
export function GoTo({ onClose }: { readonly onClose: () => void }) {
  const [typed, setTyped] = useState("");
  const [chosen, setChosen] = useState(0);
  const navigate = useNavigate();
  const may = useMay();
  const id = useId();
  const letters = useRested(typed.trim(), 200);
  const found = placesFor(typed, {
    entries: useQuery({ ...foundEntriesQuery(letters), enabled: letters.length >= 2 && may("sift") }).data ?? [],
    runs: useQuery(seasonQuery).data?.runs ?? [],
    steps: steps.filter((step) => may(step.opens)),
    materials: useQuery(materialsQuery).data ?? [],
    suppliers: useQuery(suppliersQuery).data ?? [],
    people: useQuery({ ...staffQuery, enabled: may("house") }).data ?? [],
  });
  const at = Math.min(chosen, Math.max(0, found.length - 1));
  const go = (to: string | undefined): void => {
    if (to === undefined) return;
    onClose();
    void navigate(to);
  };
  const onKey = (event: KeyboardEvent): void => {
    const by = event.key === "ArrowDown" ? 1 : event.key === "ArrowUp" ? -1 : 0;
    if (by === 0) return;
    event.preventDefault();
    setChosen(Math.min(found.length - 1, Math.max(0, at + by)));
  };
  return (
    <Modal open title="Find or go to" onCancel={onClose} footer={null}>
      <Input
        autoFocus
        aria-label="Find or go to"
        aria-controls={id}
        placeholder="boardwalk crate"
        value={typed}
        onChange={(event) => {
          setTyped(event.target.value);
          setChosen(0);
        }}
        onKeyDown={onKey}
        onPressEnter={() => go(found[at]?.to)}
      />
      <ul id={id} className="week">
        {found.map((place, i) => (
          <li key={`${place.to} ${place.words}`} className={i === at ? "chosen" : ""}>
            <Button type="text" size="small" aria-current={i === at} onClick={() => go(place.to)}>
              {place.words}
            </Button>
          </li>
        ))}
        {found.length === 0 ? <li>Nothing here has these letters.</li> : null}
      </ul>
    </Modal>
  );
}
