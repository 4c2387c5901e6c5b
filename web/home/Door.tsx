import { plainCode } from "@lampcrate/core";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { useWords } from "../shared/words/useWords.ts";
import { knownSheets } from "./keeper/knownSheets.ts";
import { keptLinks } from "./logbook/draft.ts";

/** Where a code is typed. */
export function Door() {
  const words = useWords();
  const navigate = useNavigate();
  const [typed, setTyped] = useState("");
  return (
    <main className="home">
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

/** Challenges that were opened here before, and what was sent from here: they open without a line too. */
function OnThisDevice() {
  const words = useWords();
  const known = knownSheets();
  if (known.length === 0) return null;
  return (
    <section className="card stacked near" aria-labelledby="here">
      <h2 id="here">{words.door.here}</h2>
      <ul className="plain-list">
        {known.map(({ code, title }) => (
          <li key={code}>
            <Link to={`/h/${code}`}>{title}</Link>, <Link to={`/h/${code}/log`}>{words.door.log}</Link>
            {keptLinks(plainCode(code)).map(({ alias, secret }) => (
              <span key={secret}>
                , <a href={`/h/mine#${secret}`}>{alias}</a>
              </span>
            ))}
          </li>
        ))}
      </ul>
    </section>
  );
}
