import { boundParts } from "../../kit/brief/bind.ts";
import { briefField } from "../briefFields.ts";
import { fillText } from "../fill.ts";
import { boundNumber, partOf } from "../follow.ts";
import { type Beside, type Check, type CheckedBrief, fillingFor } from "./check.ts";

/** Lines that stand apart from what they followed. */
export function lineChecks(brief: CheckedBrief, beside: Beside): readonly Check[] {
  const { materials } = beside;
  const filling = fillingFor(brief, beside);
  return brief.lines.flatMap((line): readonly Check[] => {
    const material = materials.find((m) => m.id === line.materialId);
    if (!material) return [];
    return boundParts.flatMap((part): readonly Check[] => {
      const bound = line.bind[part];
      const now = partOf(line, part);
      const would = bound?.loose ? boundNumber(brief, part, bound, material.unit) : null;
      if (!bound || would === null || now === null || Math.abs(would - now) <= 1e-6 * Math.max(1, now)) return [];
      const field = briefField(brief.family, bound.field)?.field.words.toLowerCase() ?? bound.field;
      const again = { ...line, bind: { ...line.bind, [part]: { ...bound, loose: false } } };
      const lines = brief.lines.map((one) => (one.id === line.id ? again : one));
      return [
        {
          id: `apart ${line.id} ${part}`,
          at: "crate",
          // A piece of another size than the goal's is told side by side with it.
          stops: part !== "amount" && line.source === "packed",
          words: `${material.name}: ${partWords[part]} stands by itself and is not what ${field}, ${fillText(`{${bound.field}}`, filling)}, would have it.`,
          mends: [{ words: `Follow ${field} again`, patch: { lines } }],
        },
      ];
    });
  });
}

const partWords = { amount: "its amount", cutWidth: "how wide it is cut", cutHeight: "how long it is cut" } as const;
