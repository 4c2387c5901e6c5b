// @vitest-environment jsdom
import { type Filling, families, follows, startValues, unbound } from "@lampcrate/core";
import { act, fireEvent, render, screen } from "@testing-library/react";
import fc from "fast-check";
import { createEditor } from "lexical";
import { useState } from "react";
import { describe, expect, it } from "vitest";
import { line } from "../../core/test/samples.ts";
import { PlaceNode } from "../desk/brief/words/PlaceNode.ts";
import { placeChoices } from "../desk/brief/words/placeChoices.ts";
import { $readSource, $tellPlaces, $writeText } from "../desk/brief/words/source.ts";
import { WordsBox } from "../desk/brief/words/WordsBox.tsx";
import { boundSaid, followingAsNow } from "../desk/crate/lines/boundWords.ts";

const fillingOf = (sticks: number): Filling => ({
  brief: {
    family: "tall",
    spec: { ...startValues(families.tall.spec), sticks },
    design: startValues(families.tall.design),
    trials: 3,
    buildMinutes: 20,
    teamSize: 2,
    youngestAge: 6,
    lines: [line("straw", { id: "line_1", amount: 30 })],
  },
  units: "metric",
  unitOf: () => "piece",
  dates: { opens: null, closes: null, reveal: null },
});

function editorWith(text: string) {
  const editor = createEditor({
    nodes: [PlaceNode],
    onError: (error) => {
      throw error;
    },
  });
  editor.update(() => $writeText(text, fillingOf(30)), { discrete: true });
  return editor;
}

/** A text that somebody else changes at the press of a button. */
function Held({ told }: { readonly told: string[] }) {
  const [text, setText] = useState("Take {sticks} sticks.");
  return (
    <>
      <WordsBox
        label="Story"
        text={text}
        most={200}
        filling={fillingOf(30)}
        nameOf={() => "Paper straw"}
        onChange={(next) => told.push(next)}
      />
      <button type="button" onClick={() => setText("Only {joints, plural, one {# joint} other {# joints}}.")}>
        another
      </button>
    </>
  );
}

describe("a text that is typed as it reads", () => {
  it("keeps what it was given, places and line breaks and braces, to the letter that matters", () => {
    const piece = fc.constantFrom("the hare's ", "{sticks}", "\n", "{trials, plural, one {once} other {# times}}", " two ", "é");
    fc.assert(
      fc.property(fc.array(piece, { minLength: 1, maxLength: 8 }), (pieces) => {
        const text = pieces.join("");
        expect(editorWith(text).getEditorState().read($readSource)).toBe(text);
      }),
    );
  });

  it("says its numbers as they are now, and keeps its places", () => {
    const editor = editorWith("Take {sticks} sticks.");
    const shown = (): string =>
      editor
        .getEditorState()
        .read(() =>
          [...editor.getEditorState()._nodeMap.values()].flatMap((n) => (n instanceof PlaceNode ? [n.getTextContent()] : [])).join(),
        );
    expect(shown()).toBe("30");
    editor.update(() => $tellPlaces(fillingOf(50)), { discrete: true });
    expect([shown(), editor.getEditorState().read($readSource)]).toEqual(["50", "Take {sticks} sticks."]);
  });

  it("is put anew when another changes it, and tells nobody of that", async () => {
    const told: string[] = [];
    render(<Held told={told} />);
    const box = screen.getByRole("textbox", { name: "Story" });
    expect(box.textContent).toBe("Take 30 sticks.");
    await act(async () => void fireEvent.click(screen.getByRole("button", { name: "another" })));
    expect([box.textContent, told]).toEqual(["Only 12 joints.", []]);
  });

  it("offers to let a typed number that the brief has follow it", async () => {
    const told: string[] = [];
    render(
      <WordsBox
        label="Rule"
        text="Use 30 sticks, 7 birds."
        most={200}
        filling={fillingOf(30)}
        nameOf={() => ""}
        onChange={(next) => told.push(next)}
      />,
    );
    const offers = screen.getAllByRole("button", { name: /^let/ });
    expect(offers.map((button) => button.textContent)).toEqual(["let “30” follow sticks"]);
    await act(async () => void (offers[0] && fireEvent.click(offers[0])));
    expect(told).toEqual(["Use {sticks} sticks, 7 birds."]);
  });

  it("offers every number of the brief that says something now, by its name", () => {
    const choices = placeChoices(fillingOf(30), () => "Paper straw");
    const label = (value: string) => choices.find((choice) => choice.value === value)?.label;
    expect([label("{sticks}"), label("{minutes}"), label("{kit_line_1}"), label("{closes}"), label("{stretch}")]).toEqual([
      "Sticks: 30",
      "Build time: 20",
      "Paper straw, each takes: 30",
      undefined,
      undefined,
    ]);
  });
});

describe("what a line says of what it follows", () => {
  const brief = fillingOf(30).brief;
  const bound = (patch: object) => line("straw", { amount: 12, bind: { ...unbound, amount: { ...follows("sticks"), ...patch } } });
  it("is what it would be, and that it stands apart", () => {
    expect(boundSaid(brief, bound({}), "amount", "piece", "metric")).toEqual({ field: "Sticks", would: "30", apart: false, loose: false });
    expect(boundSaid(brief, bound({ loose: true }), "amount", "piece", "metric")).toMatchObject({ apart: true, loose: true });
    expect(boundSaid(brief, line("straw"), "amount", "piece", "metric")).toBeNull();
  });
  it("begins by following as it stands", () => {
    expect(followingAsNow(brief, line("straw", { amount: 12 }), "amount", "sticks", "piece")).toEqual(
      follows("sticks", { times: 0.4, round: "up" }),
    );
    expect(followingAsNow(brief, line("string", { amount: 500 }), "amount", "stickM", "mm")).toEqual(
      follows("stickM", { times: 2, round: "up" }),
    );
  });
});
