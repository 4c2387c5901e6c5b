import { type BenchDevice, showQuantity } from "@lampcrate/core";
import { api, ask } from "../../shared/client.ts";
import { Button } from "../pieces/Button.tsx";
import { useSave } from "../pieces/useSave.ts";
import { useReading } from "./useReading.ts";

/** What a hand does at a device that is made believe, to try it. */
const tries: Readonly<Record<BenchDevice, { readonly words: string; readonly value: number }>> = {
  scale: { words: "Lay 250 g on it", value: 250 },
  gate: { words: "Let something fall for 1.2 s", value: 1.2 },
};

/** What a device shows now, and a hand for one that is made believe. */
export function BenchTry({ device }: { readonly device: BenchDevice }) {
  const { state, why, simulated, now, plugIn } = useReading(device);
  const moving = useSave({
    send: (value: number) => ask(api.bench[":device"].hand.$post({ param: { device }, json: { value } })),
  });
  const shown = now === null ? "nothing yet" : showQuantity(now, device === "scale" ? "mass" : "time");
  return (
    <span className="row" role="status">
      {state === "on" ? `${simulated ? "made believe, " : ""}shows ${shown}` : null}
      {state === "waiting" ? "asking for it" : null}
      {state === "lost" ? <span className="ruler-trouble">{why}</span> : null}
      {plugIn && state !== "on" ? <Button onClick={plugIn}>Choose the cable</Button> : null}
      {state === "on" && simulated ? <Button onClick={() => void moving.save(tries[device].value)}>{tries[device].words}</Button> : null}
    </span>
  );
}
