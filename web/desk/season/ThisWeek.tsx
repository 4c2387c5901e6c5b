import type { ToDo } from "@lampcrate/contract";
import { shortDate } from "@lampcrate/core";
import { Link } from "react-router";

/** What must start by Sunday, late first. */
export function ThisWeek({ toDo, today }: { readonly toDo: readonly ToDo[]; readonly today: string }) {
  return (
    <aside className="sheet pad" aria-label="This week">
      <h2>This week</h2>
      <p className="soft small">today is {shortDate(today, today)}</p>
      <ul className="week">
        {toDo.map((item) => (
          <li key={item.id}>
            <span className={item.late ? "due late" : "due"}>
              {item.late
                ? `Late, was due ${shortDate(item.due, today)}`
                : item.due === today
                  ? "today"
                  : `by ${shortDate(item.due, today)}`}
            </span>
            <br />
            <Link to={item.step === "buying" ? "/buying" : `/run/${item.runId}/${item.step}`}>{item.words}</Link>
            <div className="small soft">
              {item.runTitle}: {item.detail}
            </div>
          </li>
        ))}
        {toDo.length === 0 ? <li>Nothing has to start this week.</li> : null}
      </ul>
    </aside>
  );
}
