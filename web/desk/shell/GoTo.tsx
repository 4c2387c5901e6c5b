import { useQuery } from "@tanstack/react-query";
import { Input, Modal } from "antd";
import { useState } from "react";
import { useNavigate } from "react-router";
import { seasonQuery } from "../queries.ts";

/** Type a few letters, press Enter: runs, their steps, and the house's rooms of work. */
export function GoTo({ onClose }: { readonly onClose: () => void }) {
  const [typed, setTyped] = useState("");
  const navigate = useNavigate();
  const season = useQuery(seasonQuery);
  const places = [
    { words: "Season", to: "/" },
    { words: "Store room", to: "/store" },
    { words: "House", to: "/house" },
    ...(season.data?.runs ?? []).flatMap((run) =>
      ["brief", "crate", "calendar", "publish", "sift", "findings"].map((step) => ({
        words: `${run.title}: ${step}`,
        to: `/run/${run.id}/${step}`,
      })),
    ),
  ];
  const wanted = typed.toLowerCase().split(" ").filter(Boolean);
  const found = places.filter((place) => wanted.every((word) => place.words.toLowerCase().includes(word))).slice(0, 9);
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
            <button type="button" className="quiet" onClick={() => go(place.to)}>
              {place.words}
            </button>
          </li>
        ))}
        {found.length === 0 ? <li>Nothing here has these letters.</li> : null}
      </ul>
    </Modal>
  );
}
