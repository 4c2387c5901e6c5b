import type { AskedQuestions } from "@lampcrate/core";
import { Input } from "antd";
import { useTyped } from "../../../shared/pieces/useTyped.ts";
import { Button } from "../../pieces/Button.tsx";
import { Labelled } from "../../pieces/Labelled.tsx";

const times = { before: "Before building", during: "While building", after: "Afterwards" } as const;
const most = 8;

interface QuestionListsProps {
  readonly questions: AskedQuestions | null;
  /** The family's own. */
  readonly usual: AskedQuestions;
  readonly onChange: (questions: AskedQuestions | null, words: string) => void;
}

/** Questions that families ask each other, one to a line; the family's own until they are changed. */
export function QuestionLists({ questions, usual, onChange }: QuestionListsProps) {
  const asked = questions ?? usual;
  return (
    <div className="stack near">
      <span className="field-label small">Questions for the table: nobody writes an answer</span>
      <div className="row questions">
        {(["before", "during", "after"] as const).map((time) => (
          <LinesBox
            key={time}
            label={times[time]}
            lines={asked[time]}
            onTake={(lines) => onChange({ ...asked, [time]: lines }, `questions ${time}`)}
          />
        ))}
      </div>
      {questions === null ? null : (
        <div>
          <Button size="small" onClick={() => onChange(null, "the family's questions again")}>
            Use the family's questions again
          </Button>
        </div>
      )}
    </div>
  );
}

function LinesBox({
  label,
  lines,
  onTake,
}: {
  readonly label: string;
  readonly lines: readonly string[];
  readonly onTake: (lines: readonly string[]) => void;
}) {
  const { text, trouble, type, commit } = useTyped(lines.join("\n"), (typed) => {
    const said = typed
      .split("\n")
      .map((line) => line.trim())
      .filter((line) => line !== "");
    if (said.length > most) return `At most ${most} questions: ${said.length} are here.`;
    const long = said.find((line) => line.length > 240);
    if (long) return `Shorter than 240 letters, please: “${long.slice(0, 30)} …”`;
    onTake(said);
    return null;
  });
  return (
    <Labelled label={label} trouble={trouble}>
      <Input.TextArea autoSize={{ minRows: 2, maxRows: 8 }} value={text} onChange={(event) => type(event.target.value)} onBlur={commit} />
    </Labelled>
  );
}
