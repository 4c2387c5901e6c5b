import { families, familyIds } from "@lampcrate/core";
import { Checkbox, InputNumber, Select } from "antd";
import { Button } from "../pieces/Button.tsx";
import { Labelled } from "../pieces/Labelled.tsx";
import { LengthBox } from "../pieces/LengthBox.tsx";
import { SearchBox } from "../pieces/SearchBox.tsx";
import { anything, type Wish } from "./fits.ts";

interface WishFieldsProps {
  readonly wish: Wish;
  readonly units: "metric" | "imperial";
  readonly onWish: (wish: Wish) => void;
}

/** What a planner has and wants: the shelf shows what can be held with it. */
export function WishFields({ wish, units, onWish }: WishFieldsProps) {
  const set = (patch: Partial<Wish>): void => onWish({ ...wish, ...patch });
  return (
    <section className="sheet pad wish" aria-label="Find on the shelf" role="search">
      <Labelled label="Words">
        <SearchBox placeholder="bridge, wind, paper …" value={wish.words} onFind={(words) => set({ words })} />
      </Labelled>
      <Labelled label="Family">
        <Select
          allowClear
          showSearch={{ optionFilterProp: "label" }}
          placeholder="any"
          value={wish.family}
          options={familyIds.map((id) => ({ value: id, label: families[id].words }))}
          onChange={(family: Wish["family"] | undefined) => set({ family: family ?? null })}
        />
      </Labelled>
      <Labelled label="Youngest, years">
        <InputNumber min={2} max={18} precision={0} placeholder="any" value={wish.age} onChange={(age) => set({ age })} />
      </Labelled>
      <Labelled label="Minutes to build">
        <InputNumber min={1} max={600} precision={0} placeholder="any" value={wish.minutes} onChange={(minutes) => set({ minutes })} />
      </Labelled>
      <LengthBox
        label="Longest free side"
        valueM={wish.roomM}
        units={units}
        room
        onNone={() => set({ roomM: null })}
        onChange={(roomM) => set({ roomM })}
      />
      <Checkbox checked={wish.dry} onChange={(event) => set({ dry: event.target.checked })}>
        no water at hand
      </Checkbox>
      <Button type="text" size="small" disabled={wish === anything} onClick={() => onWish(anything)}>
        show all
      </Button>
    </section>
  );
}
