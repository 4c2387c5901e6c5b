import type { MaterialDoc, MaterialInput } from "@lampcrate/contract";
import type { AskError } from "../../shared/client.ts";
import { api, ask } from "../../shared/client.ts";
import { useSave } from "../pieces/useSave.ts";
import { materialsQuery } from "../queries.ts";
import { inputOf } from "./inputOf.ts";

interface Patching {
  readonly of: MaterialDoc;
  readonly patch: Partial<MaterialInput>;
}

/** Changes one number of a material where it stands; the stock itself changes by moves alone. */
export function useMaterialPatch(onChanged: () => Promise<void>): {
  readonly patch: (of: MaterialDoc, patch: Partial<MaterialInput>) => void;
  readonly trouble: AskError | null;
} {
  const { save, trouble } = useSave({
    send: ({ of, patch }: Patching) => {
      const { onHand: _, ...values } = { ...inputOf(of), ...patch };
      return ask(api.materials[":id"].$put({ param: { id: of.id }, json: { ...values, revision: of.revision } }));
    },
    onSaved: () => void onChanged(),
    renew: [materialsQuery],
  });
  return { patch: (of, patch) => void save({ of, patch }), trouble };
}
