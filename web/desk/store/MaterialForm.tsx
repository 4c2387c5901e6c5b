import type { MaterialDoc, MaterialInput } from "@lampcrate/contract";
import { hazards, type UnitChoice } from "@lampcrate/core";
import { Checkbox, Input, InputNumber, Select } from "antd";
import { api, ask } from "../../shared/client.ts";
import { LengthBox } from "../pieces/LengthBox.tsx";
import { Sure } from "../pieces/Sure.tsx";
import { useJoinedForm } from "../pieces/useJoinedForm.ts";
import { useSave } from "../pieces/useSave.ts";
import { materialsQuery } from "../queries.ts";
import { FormFoot } from "./FormFoot.tsx";
import { inputOf } from "./inputOf.ts";

interface MaterialFormProps {
  readonly start: MaterialInput;
  readonly of: MaterialDoc | null;
  readonly units: UnitChoice;
  readonly onDone: () => Promise<void>;
  readonly onLeave: () => void;
}

const kinds = [
  { value: "piece", label: "counted, in pieces" },
  { value: "mm", label: "measured, in mm" },
  { value: "g", label: "weighed, in g" },
  { value: "ml", label: "poured, in ml" },
];

/** One material's numbers; what is refused stays as typed. */
export function MaterialForm({ start, of, units, onDone, onLeave }: MaterialFormProps) {
  const { value: typed, set, drop, clashes, takeTheirs } = useJoinedForm<MaterialInput>(`material-${of?.id ?? "new"}`, inputOf(start));
  const done = (): void => {
    drop();
    void onDone();
  };
  const { save, trouble, pending } = useSave({
    send: (input: MaterialInput) => {
      if (!of) return ask(api.materials.$post({ json: input }));
      const { onHand: _, ...values } = input;
      return ask(api.materials[":id"].$put({ param: { id: of.id }, json: { ...values, revision: of.revision } }));
    },
    onSaved: done,
    renew: [materialsQuery],
  });
  const removing = useSave({ send: (id: string) => ask(api.materials[":id"].$delete({ param: { id } })), onSaved: done });
  const unit = typed.unit === "piece" ? "pieces" : typed.unit;
  return (
    <form
      className="sheet pad stack"
      aria-label={of ? `Change ${of.name}` : "New material"}
      onSubmit={(event) => {
        event.preventDefault();
        void save(typed);
      }}
    >
      <div className="fields three">
        <label>
          <span className="field-label small">Name</span>
          <Input required maxLength={80} value={typed.name} onChange={(event) => set({ name: event.target.value })} />
        </label>
        <label>
          <span className="field-label small">Given out</span>
          <Select className="wide" value={typed.unit} options={kinds} onChange={(value: MaterialInput["unit"]) => set({ unit: value })} />
        </label>
        {of ? null : (
          <label>
            <span className="field-label small">On hand, {unit}</span>
            <InputNumber className="wide" min={0} value={typed.onHand} onChange={(onHand) => onHand !== null && set({ onHand })} />
          </label>
        )}
        <label>
          <span className="field-label small">A pack holds, {unit}</span>
          <InputNumber
            className="wide"
            min={0.001}
            value={typed.packSize}
            onChange={(packSize) => packSize !== null && set({ packSize })}
          />
        </label>
        <label>
          <span className="field-label small">A pack costs</span>
          <InputNumber
            className="wide"
            min={0}
            precision={2}
            value={typed.packPriceCents / 100}
            onChange={(price) => price !== null && set({ packPriceCents: Math.round(price * 100) })}
          />
        </label>
        <label>
          <span className="field-label small">Allergens, with commas</span>
          <Input
            value={typed.allergens.join(", ")}
            onChange={(event) =>
              set({
                allergens: event.target.value
                  .split(",")
                  .map((word) => word.trimStart())
                  .filter((word, i, all) => word !== "" || i === all.length - 1)
                  .slice(0, 8),
              })
            }
            onBlur={() => set({ allergens: typed.allergens.map((a) => a.trim()).filter(Boolean) })}
          />
        </label>
        <label>
          <span className="field-label small">Collected, {unit} a week; empty: bought</span>
          <InputNumber className="wide" min={0.001} value={typed.perWeek} onChange={(perWeek) => set({ perWeek })} />
        </label>
        <LengthBox
          label="Sheet or roll, across"
          valueM={typed.sheetWidthM}
          units={units}
          onChange={(sheetWidthM) => set({ sheetWidthM })}
        />
        <LengthBox
          label="Sheet or roll, along"
          valueM={typed.sheetHeightM}
          units={units}
          onChange={(sheetHeightM) => set({ sheetHeightM })}
        />
        <div className="row">
          <Checkbox checked={typed.smallPart} onChange={(event) => set({ smallPart: event.target.checked })}>
            small part
          </Checkbox>
          <Checkbox checked={typed.latex} onChange={(event) => set({ latex: event.target.checked })}>
            latex
          </Checkbox>
        </div>
        <div className="row" role="group" aria-label="What can hurt">
          {hazards.map((hazard) => (
            <Checkbox
              key={hazard}
              checked={typed.hazards.includes(hazard)}
              onChange={(event) =>
                set({ hazards: event.target.checked ? [...typed.hazards, hazard] : typed.hazards.filter((h) => h !== hazard) })
              }
            >
              {hazard}
            </Checkbox>
          ))}
        </div>
      </div>
      {of ? (
        <div>
          <Sure
            words="Take it out"
            question={`Take ${of.name} out of the store room?`}
            told="What nothing refers to is deleted. What briefs, orders or the stock name is put away, and can be brought back in House."
            onSure={() => void removing.save(of.id)}
          />
        </div>
      ) : null}
      <FormFoot
        trouble={trouble ?? removing.trouble}
        pending={pending}
        clashes={clashes}
        onTakeTheirs={takeTheirs}
        onLeave={() => {
          drop();
          onLeave();
        }}
      />
    </form>
  );
}
