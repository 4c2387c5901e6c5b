import type { ToldClash, WayOut } from "@lampcrate/core";
import { Button } from "../pieces/Button.tsx";

interface ClashListProps {
  readonly clashes: readonly ToldClash[];
  /** Offered at one press where it is left in. */
  readonly onWay?: ((way: WayOut) => void) | undefined;
  readonly onShow?: ((session: string) => void) | undefined;
}

/** Clashes in words, each with what would solve it. */
export function ClashList({ clashes, onWay, onShow }: ClashListProps) {
  return (
    <ul className="clash-list">
      {clashes.map((clash) => (
        <li key={`${clash.kind} ${clash.sessions.join(" ")} ${clash.words}`}>
          <strong>{clash.words}</strong> <span className="soft">{clash.solve}</span>
          <span className="row near">
            {onWay
              ? clash.ways.map((way) => (
                  <Button key={way.words} size="small" onClick={() => onWay(way)}>
                    {way.words}
                  </Button>
                ))
              : null}
            {onShow ? (
              <Button type="text" size="small" onClick={() => onShow(clash.sessions[0] ?? "")}>
                show it
              </Button>
            ) : null}
          </span>
        </li>
      ))}
    </ul>
  );
}
