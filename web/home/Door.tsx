import { useState } from "react";
import { useNavigate } from "react-router";
import { useWords } from "../shared/words/useWords.ts";
import { OnThisDevice } from "./keeper/OnThisDevice.tsx";

/** Where a code is typed. */
export function Door() {
  const words = useWords();
  const navigate = useNavigate();
  const [typed, setTyped] = useState("");
  return (
    <main className="home">
      <title>{words.door.title}</title>
      <h1>{words.door.title}</h1>
      <form
        className="card stacked"
        onSubmit={(event) => {
          event.preventDefault();
          if (typed.trim() !== "") void navigate(`/h/${typed.trim().toLowerCase().replace(/\s+/g, "-")}`);
        }}
      >
        <label className="field">
          <span>{words.door.ask}</span>
          <input
            className="typed"
            value={typed}
            autoCapitalize="characters"
            autoComplete="off"
            placeholder={words.door.example}
            onChange={(event) => setTyped(event.target.value)}
          />
        </label>
        <button type="submit" className="big">
          {words.door.go}
        </button>
      </form>
      <OnThisDevice />
    </main>
  );
}
