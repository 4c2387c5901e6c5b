import { useWords } from "../../shared/words/useWords.ts";
import "./film.css";
import { type Film, useFilm } from "./useFilm.ts";

interface FilmTimerProps {
  /** The trial that the time goes to, from 1; null where all are full. */
  readonly next: number | null;
  readonly onTime: (seconds: number) => void;
}

/** Times a test from a film of it, by the film's own frames: far finer than a thumb. */
export function FilmTimer({ next, onTime }: FilmTimerProps) {
  const words = useWords().film;
  const film = useFilm();
  return (
    <details>
      <summary>{words.title}</summary>
      <div className="stacked near above">
        <p className="small soft">{words.stays}</p>
        <label className="plain chooser">
          <input
            type="file"
            accept="video/*"
            onChange={({ target }) => {
              film.choose(target.files?.[0] ?? null);
              target.value = "";
            }}
          />
          {film.chosen ? words.another : words.choose}
        </label>
        {film.trouble === null ? null : (
          <p role="alert" className="ask">
            {words.trouble[film.trouble]}
          </p>
        )}
        {film.chosen ? <Stepping film={film} next={next} onTime={onTime} /> : null}
      </div>
    </details>
  );
}

const steps = [-10, -1, 1, 10] as const;

/** The film with its way forth and back, its two marks, and the time between them. */
function Stepping({ film, next, onTime }: FilmTimerProps & { readonly film: Film }) {
  const words = useWords().film;
  const { now, ends, busy, marks } = film;
  return (
    <>
      <canvas ref={film.canvas} className="film" role="img" aria-label={words.title} />
      <label className="field">
        <span>{words.place}</span>
        <input
          type="range"
          min={ends[0]}
          max={ends[1]}
          step={0.01}
          value={now ?? 0}
          aria-valuetext={now === null ? "" : words.at(now.toFixed(3))}
          onChange={({ target }) => film.goTo(Number(target.value))}
        />
      </label>
      <div className="film-steps">
        {steps.map((by) => (
          <button
            key={by}
            type="button"
            className="plain"
            disabled={busy || now === null}
            aria-label={words.stepOf(by)}
            onClick={() => film.step(by)}
          >
            {words.step(by)}
          </button>
        ))}
      </div>
      <p className="small soft" role="status">
        {now === null ? words.opening : words.at(now.toFixed(3))}
      </p>
      <div className="pair">
        {(["letGo", "touch"] as const).map((mark) => (
          <button
            key={mark}
            type="button"
            className="plain"
            aria-pressed={marks[mark] !== null}
            disabled={busy || now === null}
            onClick={() => film.mark(mark)}
          >
            {words.marks[mark]}
            {marks[mark] === null ? "" : ` ${marks[mark].toFixed(3)} s`}
          </button>
        ))}
      </div>
      <Between film={film} next={next} onTime={onTime} />
    </>
  );
}

function Between({ film: { marks, frameS }, next, onTime }: FilmTimerProps & { readonly film: Film }) {
  const words = useWords().film;
  if (marks.letGo === null || marks.touch === null) return <p>{words.markBoth}</p>;
  const seconds = marks.touch - marks.letGo;
  if (seconds <= 0) return <p role="alert">{words.backwards}</p>;
  return (
    <div className="stacked near">
      <p role="status">
        <strong>{words.found(seconds.toFixed(2), frameS.toFixed(2))}</strong>
      </p>
      <button type="button" className="plain lit" disabled={next === null} onClick={() => onTime(seconds)}>
        {next === null ? words.full : words.use(next)}
      </button>
    </div>
  );
}
