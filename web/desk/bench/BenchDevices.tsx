import type { HouseDoc } from "@lampcrate/contract";
import { type Bench, type BenchDevice, type BenchSetting, benchDevices, benchWords } from "@lampcrate/core";
import { InputNumber, Select } from "antd";
import type { ReactNode } from "react";
import { Labelled } from "../pieces/Labelled.tsx";
import { BenchTry } from "./BenchTry.tsx";

interface BenchDevicesProps {
  readonly bench: Bench;
  /** As the house has it now: what is tried. */
  readonly saved: HouseDoc["bench"];
  readonly onChange: (bench: Bench) => void;
  /** What the server said of a field, where it stands. */
  readonly message: (field: string) => ReactNode;
}

const ways: readonly { readonly value: BenchSetting["via"]; readonly label: string }[] = [
  { value: "none", label: "none" },
  { value: "port", label: "at a port of the server's machine" },
  { value: "cable", label: "on a cable of whoever looks" },
];

/** Devices whose readings land in results by themselves. */
export function BenchDevices({ bench, saved, onChange, message }: BenchDevicesProps) {
  const set = (device: BenchDevice, patch: Partial<BenchSetting>): void => onChange({ ...bench, [device]: { ...bench[device], ...patch } });
  return (
    <section className="sheet pad stack" aria-label="At the bench">
      <h2>At the bench</h2>
      <p className="soft">
        A scale's reading that has come to rest, and a light gate's time, land in the result on the floor by themselves. For who has none at
        hand, two stand-ins that are only made believe come with it: start them with <code>npm run stand-ins</code>.
      </p>
      {benchDevices.map((device) => (
        <div key={device} className="row feet" role="group" aria-label={benchWords[device]}>
          <Labelled label={benchWords[device]}>
            <Select
              className="box-xl"
              aria-label={`How the ${benchWords[device].toLowerCase()} is reached`}
              value={bench[device].via}
              options={[...ways]}
              onChange={(via) => set(device, { via })}
            />
          </Labelled>
          {bench[device].via === "port" ? (
            <Labelled label="Port">
              <InputNumber min={1024} max={65_535} value={bench[device].port} onChange={(port) => port !== null && set(device, { port })} />
            </Labelled>
          ) : null}
          {bench[device].via === "cable" ? (
            <Labelled label="Signs a second">
              <InputNumber min={300} max={921_600} value={bench[device].baud} onChange={(baud) => baud !== null && set(device, { baud })} />
            </Labelled>
          ) : null}
          {saved[device].via === bench[device].via && saved[device].via !== "none" ? <BenchTry device={device} /> : null}
        </div>
      ))}
      {message("bench")}
    </section>
  );
}
