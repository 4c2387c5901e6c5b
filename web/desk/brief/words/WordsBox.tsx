import { type Filling, meantIn, withPlace } from "@lampcrate/core";
import { LexicalComposer } from "@lexical/react/LexicalComposer";
import { useLexicalComposerContext } from "@lexical/react/LexicalComposerContext";
import { ContentEditable } from "@lexical/react/LexicalContentEditable";
import { LexicalErrorBoundary } from "@lexical/react/LexicalErrorBoundary";
import { HistoryPlugin } from "@lexical/react/LexicalHistoryPlugin";
import { PlainTextPlugin } from "@lexical/react/LexicalPlainTextPlugin";
import { $getSelection, $insertNodes, $isRangeSelection, COMMAND_PRIORITY_HIGH, KEY_ENTER_COMMAND } from "lexical";
import { memo, useEffect, useId, useLayoutEffect, useMemo, useRef, useState } from "react";
import { useLocked } from "../../../shared/pieces/locked.ts";
import { Button } from "../../pieces/Button.tsx";
import { Choose } from "../../pieces/Choose.tsx";
import { PlaceNode, placeNode } from "./PlaceNode.ts";
import { type PlaceChoice, placeChoices } from "./placeChoices.ts";
import { $readSource, $tellPlaces, $writeText } from "./source.ts";
import "./wordsBox.css";

interface WordsBoxProps {
  readonly label: string;
  /** The text as it is kept, its places in braces. */
  readonly text: string;
  readonly filling: Filling;
  /** In a stretch goal's words: its multiple of the goal. */
  readonly times?: number | null;
  readonly nameOf: (materialId: string) => string;
  readonly most: number;
  readonly lines?: boolean;
  /** The label is read, not seen. */
  readonly bare?: boolean;
  readonly placeholder?: string;
  readonly onChange: (text: string) => void;
  /** Enter, where a text is one line. */
  readonly onEnter?: () => void;
}

/** A text of the brief that is typed as it reads: numbers of the brief stand in it as pieces that follow them. */
export function WordsBox({ onChange, onEnter, ...props }: WordsBoxProps) {
  const latest = useRef({ onChange, onEnter });
  latest.current = { onChange, onEnter };
  const [stable] = useState(() => ({
    onChange: (text: string) => latest.current.onChange(text),
    onEnter: () => latest.current.onEnter?.(),
  }));
  return <RestingBox {...props} {...stable} />;
}

/** Painted anew only when its own text or what fills it has changed, not with every dial of the brief. */
const RestingBox = memo(function RestingBox({ filling: plain, times = null, ...rest }: WordsBoxProps) {
  const filling = useMemo(() => ({ ...plain, times }), [plain, times]);
  const props = { ...rest, filling };
  const { label, text, bare = false, most } = props;
  const id = useId();
  const locked = useLocked();
  const [near, setNear] = useState(false);
  const start = useRef({ text, filling });
  return (
    <LexicalComposer
      initialConfig={{
        namespace: "words",
        nodes: [PlaceNode],
        editable: !locked,
        onError: (error) => {
          throw error;
        },
        editorState: () => $writeText(start.current.text, start.current.filling),
      }}
    >
      {/* biome-ignore lint/a11y/noStaticElementInteractions: it only notes whether the text inside is being worked on */}
      <div
        className="words-box"
        onFocus={() => setNear(true)}
        onBlur={({ currentTarget, relatedTarget }) => {
          if (!stillIn(currentTarget, relatedTarget)) afterPress(() => setNear(stillIn(currentTarget, document.activeElement)));
        }}
      >
        <span id={id} className={bare ? "unseen" : "field-label"}>
          {label}
        </span>
        <div className="words-frame">
          <PlainTextPlugin
            contentEditable={
              <ContentEditable
                className={props.lines ? "words-text several" : "words-text"}
                aria-labelledby={id}
                aria-multiline={props.lines ?? false}
                aria-placeholder={props.placeholder ?? ""}
                placeholder={<span className="words-hint">{props.placeholder}</span>}
              />
            }
            ErrorBoundary={LexicalErrorBoundary}
          />
        </div>
        <HistoryPlugin />
        <Kept {...props} />
        {near && !locked ? <PutIn filling={filling} nameOf={props.nameOf} /> : null}
        {locked ? null : <Offers {...props} />}
        {text.length > most ? (
          <p role="alert" className="trouble">
            {text.length - most} letters too many: at most {most}, with what its places are called.
          </p>
        ) : null}
      </div>
    </LexicalComposer>
  );
});

/** Once a press is over, if there is one: what is being pressed must not move away from under it. */
function afterPress(then: () => void): void {
  if (document.querySelector(":active") === null) then();
  else addEventListener("pointerup", () => setTimeout(then), { once: true });
}

/** A list that was opened from the box hangs elsewhere in the page. */
function stillIn(box: HTMLElement, to: EventTarget | null): boolean {
  return to instanceof HTMLElement && (box.contains(to) || to.closest(".ant-select-dropdown") !== null);
}

/** Keeps what is typed, and has the editor say what is kept: another's change, an undo, a number that moved. */
function Kept({ text, filling, most, lines = false, onChange, onEnter }: WordsBoxProps) {
  const [editor] = useLexicalComposerContext();
  const kept = useRef(text);
  const latest = useRef({ onChange, onEnter });
  latest.current = { onChange, onEnter };
  useEffect(
    () =>
      editor.registerUpdateListener(({ editorState, tags }) => {
        if (tags.has("from outside")) return;
        const source = editorState.read($readSource);
        if (source === kept.current) return;
        kept.current = source;
        if (source.length <= most) latest.current.onChange(source);
      }),
    [editor, most],
  );
  // Before the next key is taken: an effect that waited would write the text without it.
  useLayoutEffect(() => {
    if (text === kept.current) return;
    kept.current = text;
    editor.update(() => $writeText(text, filling), { tag: "from outside" });
  }, [editor, text, filling]);
  useEffect(() => editor.update(() => $tellPlaces(filling), { tag: "from outside" }), [editor, filling]);
  useEffect(() => {
    if (lines) return;
    return editor.registerCommand(
      KEY_ENTER_COMMAND,
      (event) => {
        event?.preventDefault();
        latest.current.onEnter?.();
        return true;
      },
      COMMAND_PRIORITY_HIGH,
    );
  }, [editor, lines]);
  return null;
}

/** Numbers that were typed and are just what the brief has: each may follow it from then on. */
function Offers({ text, filling, nameOf, onChange }: WordsBoxProps) {
  const offers = meantIn(text, filling.brief, nameOf).filter(({ same }) => same);
  if (offers.length === 0) return null;
  return (
    <div className="row tight">
      {offers.map((meant) => (
        <Button
          key={`${meant.number.from} ${meant.number.written}`}
          size="small"
          type="text"
          onClick={() => onChange(withPlace(text, meant, meant.place))}
        >
          let “{meant.number.written}” follow {meant.field.toLowerCase()}
        </Button>
      ))}
    </div>
  );
}

/** Puts a number of the brief in where the cursor stands. */
function PutIn({ filling, nameOf }: Pick<WordsBoxProps, "filling" | "nameOf">) {
  const [editor] = useLexicalComposerContext();
  const choices: readonly PlaceChoice[] = placeChoices(filling, nameOf);
  const putIn = (source: string): void => {
    editor.focus(() =>
      editor.update(() => {
        const selection = $getSelection();
        if ($isRangeSelection(selection)) $insertNodes([placeNode(source, source)]);
        $tellPlaces(filling);
      }),
    );
  };
  return (
    <Choose
      label="Put in a number of the brief"
      width="100%"
      value={null}
      placeholder="put in a number that follows the brief …"
      options={choices}
      onChoose={putIn}
    />
  );
}
