import type { MaterialDoc, PackDoc, SupplierDoc, SupplierInput } from "@lampcrate/contract";
import { Input, InputNumber } from "antd";
import { nanoid } from "nanoid";
import { useId } from "react";
import { api, ask } from "../../shared/client.ts";
import { Button } from "../pieces/Button.tsx";
import { Choose } from "../pieces/Choose.tsx";
import { Labelled } from "../pieces/Labelled.tsx";
import { MoneyBox } from "../pieces/MoneyBox.tsx";
import { shownPer, unitWord } from "../pieces/show.ts";
import { useJoinedForm } from "../pieces/useJoinedForm.ts";
import { useSave } from "../pieces/useSave.ts";
import { suppliersQuery } from "../queries.ts";
import { FormFoot } from "./FormFoot.tsx";

interface SupplierFormProps {
  readonly start: SupplierInput;
  readonly of: SupplierDoc | null;
  readonly materials: readonly MaterialDoc[];
  readonly currency: string;
  readonly onDone: () => Promise<void>;
  readonly onLeave: () => void;
}

/** A supplier's terms and packs; what is refused stays as typed. */
export function SupplierForm({ start, of, materials, currency, onDone, onLeave }: SupplierFormProps) {
  const { value: typed, set, drop, clashes, takeTheirs } = useJoinedForm<SupplierInput>(`supplier-${of?.id ?? "new"}`, inputOf(start));
  const { save, trouble, pending } = useSave({
    send: (input: SupplierInput) =>
      of
        ? ask(api.suppliers[":id"].$put({ param: { id: of.id }, json: { ...input, revision: of.revision } }))
        : ask(api.suppliers.$post({ json: input })),
    onSaved: () => {
      drop();
      void onDone();
    },
    renew: [suppliersQuery],
  });
  return (
    <form
      className="stack airy"
      aria-label={of ? `Change ${of.name}` : "New supplier"}
      onSubmit={(event) => {
        event.preventDefault();
        void save(typed);
      }}
    >
      <div className="row feet">
        <Labelled label="Name">
          <Input required className="box-l" maxLength={80} value={typed.name} onChange={(event) => set({ name: event.target.value })} />
        </Labelled>
        <Labelled label="Days from order to arrival">
          <InputNumber
            min={0}
            max={365}
            precision={0}
            value={typed.leadDays}
            onChange={(leadDays) => leadDays !== null && set({ leadDays })}
          />
        </Labelled>
        <Money label={`Delivery, ${currency}`} cents={typed.feeCents} onChange={(feeCents) => set({ feeCents: feeCents ?? 0 })} />
        <Money
          label="Free from; empty: never"
          cents={typed.freeFromCents}
          onChange={(freeFromCents) => set({ freeFromCents: freeFromCents || null })}
        />
        <Money label="Least order" cents={typed.leastCents} onChange={(leastCents) => set({ leastCents: leastCents ?? 0 })} />
      </div>
      <Packs packs={typed.packs} materials={materials} currency={currency} onChange={(packs) => set({ packs })} />
      <FormFoot
        trouble={trouble}
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

const inputOf = ({ name, leadDays, feeCents, freeFromCents, leastCents, packs }: SupplierInput): SupplierInput => ({
  name,
  leadDays,
  feeCents,
  freeFromCents,
  leastCents,
  packs,
});

function Money({
  label,
  cents,
  onChange,
}: {
  readonly label: string;
  readonly cents: number | null;
  readonly onChange: (cents: number | null) => void;
}) {
  return (
    <Labelled label={label}>
      <MoneyBox cents={cents} onChange={onChange} />
    </Labelled>
  );
}

interface PacksProps {
  readonly packs: readonly PackDoc[];
  readonly materials: readonly MaterialDoc[];
  readonly currency: string;
  readonly onChange: (packs: readonly PackDoc[]) => void;
}

/** The packs a supplier sells, one a row. */
function Packs({ packs, materials, currency, onChange }: PacksProps) {
  const choose = useId();
  const set = (id: string, patch: Partial<PackDoc>): void => onChange(packs.map((p) => (p.id === id ? { ...p, ...patch } : p)));
  const add = (materialId: string): void => {
    const material = materials.find((m) => m.id === materialId);
    if (material)
      onChange([...packs, { id: nanoid(12), materialId, size: material.packSize, priceCents: material.packPriceCents, most: null }]);
  };
  return (
    <div className="stack near">
      {packs.map((pack) => {
        const material = materials.find((m) => m.id === pack.materialId);
        const name = material?.name ?? "gone from the store room";
        const per = shownPer(material?.unit);
        return (
          <div key={pack.id} className="row pack-row" role="group" aria-label={`Pack of ${name}`}>
            <span className="pack-name">{name}</span>
            <InputNumber
              aria-label={`${name}, a pack holds`}
              min={0.001}
              className="box-m"
              suffix={unitWord(material?.unit) || "pieces"}
              value={pack.size / per}
              onChange={(size) => size !== null && set(pack.id, { size: size * per })}
            />
            <MoneyBox
              name={`${name}, a pack costs`}
              suffix={currency}
              cents={pack.priceCents}
              onChange={(priceCents) => priceCents !== null && set(pack.id, { priceCents })}
            />
            <InputNumber
              aria-label={`${name}, most they have`}
              placeholder="no limit"
              className="box-m"
              min={0}
              precision={0}
              value={pack.most}
              onChange={(most) => set(pack.id, { most })}
            />
            <Button
              type="text"
              size="small"
              aria-label={`Take the pack of ${name} out`}
              onClick={() => onChange(packs.filter((p) => p.id !== pack.id))}
            >
              take out
            </Button>
          </div>
        );
      })}
      <label htmlFor={choose} className="small">
        Add a pack of{" "}
        <Choose
          id={choose}
          label="Add a pack of"
          width={260}
          value={null}
          placeholder="choose a material"
          options={materials.map((material) => ({ value: material.id, label: material.name }))}
          onChoose={add}
        />
      </label>
    </div>
  );
}
