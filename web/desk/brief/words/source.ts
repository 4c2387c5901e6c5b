import { type Filling, filledPlace, plainSource, readText } from "@lampcrate/core";
import {
  $createLineBreakNode,
  $createParagraphNode,
  $createTextNode,
  $getRoot,
  $isElementNode,
  $isLineBreakNode,
  type LexicalNode,
} from "lexical";
import { PlaceNode, placeNode } from "./PlaceNode.ts";

/** Puts a text in the editor, its places as pieces that say what they say now. Within an update of the editor. */
export function $writeText(text: string, filling: Filling): void {
  const read = readText(text);
  const paragraph = $createParagraphNode();
  for (const part of read.ok ? read.parts : [{ kind: "words" as const, words: text, source: text }]) {
    if (part.kind === "place") paragraph.append(placeNode(filledPlace(part.names, part.source, filling), part.source));
    else paragraph.append(...$wordsOf(part.words));
  }
  $getRoot().clear().append(paragraph);
}

function $wordsOf(words: string): LexicalNode[] {
  return words
    .split("\n")
    .flatMap((line, i) => [...(i > 0 ? [$createLineBreakNode()] : []), ...(line === "" ? [] : [$createTextNode(line)])]);
}

/** The text that the editor holds, as it is kept. Within a reading of the editor. */
export function $readSource(): string {
  return $getRoot().getChildren().map($sourceOf).join("\n");
}

function $sourceOf(node: LexicalNode): string {
  if (node instanceof PlaceNode) return node.__source;
  if ($isLineBreakNode(node)) return "\n";
  return $isElementNode(node) ? node.getChildren().map($sourceOf).join("") : plainSource(node.getTextContent());
}

/** Every place says what it says now. Within an update of the editor. */
export function $tellPlaces(filling: Filling): void {
  for (const node of $getRoot().getAllTextNodes()) {
    if (!(node instanceof PlaceNode)) continue;
    const read = readText(node.__source);
    const part = read.ok ? read.parts[0] : undefined;
    const words = part?.kind === "place" ? filledPlace(part.names, part.source, filling) : node.__source;
    if (words !== node.getTextContent()) node.setTextContent(words);
  }
}
