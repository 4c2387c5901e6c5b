import { crateCode } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { Input, Modal } from "antd";
import { useState } from "react";
import { useNavigate } from "react-router";
import { Button } from "../pieces/Button.tsx";
import { seasonQuery } from "../queries.ts";

/** Type a few letters, press Enter: runs, their steps, and the house's rooms of work. */
export function GoTo({ onClose }: { readonly onClose: () => void }) {
  const [typed, setTyped] = useState("");
  const navigate = useNavigate();
  const season = useQuery(seasonQuery);
  const places = [
    { words: "Season", to: "/" },
    { words: "Buying", to: "/buying" },
    { words: "Store room", to: "/store" },
    { words: "House", to: "/house" },
    ...(season.data?.runs ?? []).flatMap((run) =>
      ["brief", "tryout", "crate", "calendar", "publish", "sift", "findings"].map((step) => ({
        words: `${run.title}: ${step}`,
        to: `/run/${run.id}/${step}`,
      })),
    ),
  ];
  // A bag's or a crate's code, typed or scanned, leads to its crate.
  const scanned = typed.trim().toUpperCase().slice(0, 4);
  const coded = (season.data?.runs ?? []).filter(
    (run) => scanned.length === 4 && [run.id, ...run.sessions.map((session) => session.id)].some((id) => crateCode(id) === scanned),
  );
  const wanted = typed.toLowerCase().split(" ").filter(Boolean);
  const found = [
    ...coded.map((run) => ({ words: `${run.title}: the crate with code ${scanned}`, to: `/run/${run.id}/crate` })),
    ...places.filter((place) => wanted.every((word) => place.words.toLowerCase().includes(word))),
  ].slice(0, 9);
  const go = (to: string | undefined): void => {
    if (to === undefined) return;
    onClose();
    void navigate(to);
  };
  return (
    <Modal open title="Find or go to" onCancel={onClose} footer={null}>
      <Input
        autoFocus
        aria-label="Find or go to"
        placeholder="boardwalk crate"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onPressEnter={() => go(found[0]?.to)}
      />
      <ul className="week" style={{ marginTop: 8 }}>
        {found.map((place) => (
          <li key={place.to}>
            <Button type="text" size="small" onClick={() => go(place.to)}>
              {place.words}
            </Button>
          </li>
        ))}
        {found.length === 0 ? <li>Nothing here has these letters.</li> : null}
      </ul>
    </Modal>
  );
}
