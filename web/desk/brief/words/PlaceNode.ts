import { type EditorConfig, type NodeKey, type SerializedTextNode, type Spread, TextNode } from "lexical";

type SerializedPlace = Spread<{ readonly source: string }, SerializedTextNode>;

/** A place for a number of the brief inside a text: one piece to the keys, shown as what it says now. */
export class PlaceNode extends TextNode {
  __source: string;

  static override getType(): string {
    return "place";
  }

  static override clone(node: PlaceNode): PlaceNode {
    return new PlaceNode(node.__text, node.__source, node.__key);
  }

  static override importJSON(from: SerializedPlace): PlaceNode {
    return placeNode(from.text, from.source);
  }

  constructor(words = "", source = "", key?: NodeKey) {
    super(words, key);
    this.__source = source;
  }

  override exportJSON(): SerializedPlace {
    return { ...super.exportJSON(), source: this.__source };
  }

  override createDOM(config: EditorConfig): HTMLElement {
    const dom = super.createDOM(config);
    dom.className = "place";
    return dom;
  }

  override canInsertTextBefore(): boolean {
    return false;
  }

  override canInsertTextAfter(): boolean {
    return false;
  }
}

/** A new place: what it says, and how it stands in the text. */
export function placeNode(words: string, source: string): PlaceNode {
  return new PlaceNode(words, source).setMode("token") as PlaceNode;
}
