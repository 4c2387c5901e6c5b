import type { SheetDoc } from "@lampcrate/contract";
import { codeInAddress } from "@lampcrate/core";
import { Link } from "react-router";
import { RigDrawing } from "../../shared/pieces/RigDrawing.tsx";
import { useWords } from "../../shared/words/useWords.ts";
import { familyOf } from "../family.ts";

/** What stands at a logbook's top whatever is in it: the server draws it, to be read before the script is there. */
export function LogbookHead({ sheet }: { readonly sheet: SheetDoc }) {
  const words = useWords();
  const { brief, units } = sheet;
  return (
    <>
      <header>
        <p className="soft small">
          <Link to={`/h/${codeInAddress(sheet.code)}`}>{sheet.title}</Link>, {words.common.code} <span className="code">{sheet.code}</span>
        </p>
        <h1>{words.log.title}</h1>
      </header>
      <div className="card picture">
        <RigDrawing scene={familyOf(brief).drawing(brief.spec, brief.design)} units={units} tall={230} small />
      </div>
      <section className="careful" aria-label={words.sheet.cautions}>
        <ul className="small">
          {sheet.cautions.map((caution) => (
            <li key={caution}>{caution}</li>
          ))}
        </ul>
      </section>
    </>
  );
}
