import { plainCode } from "@lampcrate/core";
import { useState } from "react";
import { Link } from "react-router";
import { useWords } from "../../shared/words/useWords.ts";
import { focused } from "../focused.ts";
import { sentGroups } from "../group/draft.ts";
import { keptLinks } from "../logbook/draft.ts";
import { forgetAll, unsentLogbooks } from "./forgetAll.ts";
import { knownSheets } from "./knownSheets.ts";

/** Challenges that were opened here before, and what was sent from here: they open without a line too. A device that many share can forget them. */
export function OnThisDevice() {
  const words = useWords().door;
  const [known, setKnown] = useState(knownSheets);
  const [sure, setSure] = useState(false);
  if (known.length === 0) return null;
  const forget = async (): Promise<void> => {
    await forgetAll();
    setKnown([]);
  };
  return (
    <section className="card stacked near" aria-labelledby="here">
      <h2 id="here">{words.here}</h2>
      <ul className="plain-list">
        {known.map(({ code, title }) => (
          <li key={code}>
            <Link to={`/h/${code}`}>{title}</Link>, <Link to={`/h/${code}/log`}>{words.log}</Link>
            {keptLinks(plainCode(code)).map(({ alias, secret }) => (
              <span key={secret}>
                , <a href={`/h/mine#${secret}`}>{alias}</a>
              </span>
            ))}
            {sentGroups(plainCode(code)).map(({ secret, builders }) => (
              <span key={secret}>
                , <a href={`/h/group#${secret}`}>{words.group(builders)}</a>
              </span>
            ))}
          </li>
        ))}
      </ul>
      {sure ? (
        <div className="stacked near">
          <p>{words.forgetSure(unsentLogbooks())}</p>
          <div className="buttons">
            <button type="button" className="plain danger" onClick={() => void forget()}>
              {words.forgetYes}
            </button>
            <button type="button" className="plain" ref={focused} onClick={() => setSure(false)}>
              {words.forgetNo}
            </button>
          </div>
        </div>
      ) : (
        <div>
          <button type="button" className="link" onClick={() => setSure(true)}>
            {words.forget}
          </button>
        </div>
      )}
    </section>
  );
}
