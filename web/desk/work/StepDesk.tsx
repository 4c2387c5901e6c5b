import { Drawer } from "antd";
import { type ReactNode, useState } from "react";
import { useMedia } from "../../shared/useMedia.ts";
import { Button } from "../pieces/Button.tsx";
import { Open } from "../pieces/Lock.tsx";
import { Rested } from "./RunWorkProvider.tsx";
import "./stepDesk.css";

interface StepDeskProps {
  /** What stands beside the step, and what it is called. */
  readonly beside: string;
  readonly panel: ReactNode;
  readonly children: ReactNode;
}

/** Narrower than this (a small window, or a large zoom) there is no room for both. */
const roomForBoth = "(min-width: 1000px)";

/** A step at work, with what it is judged by beside it; folded into a drawer where there is no room for both. */
export function StepDesk({ beside, panel, children }: StepDeskProps) {
  const wide = useMedia(roomForBoth);
  return (
    <div className={wide ? "desk" : "desk alone"}>
      <main className="stack">{children}</main>
      {wide ? <Rested>{panel}</Rested> : <Folded name={beside}>{panel}</Folded>}
    </div>
  );
}

function Folded({ name, children }: { readonly name: string; readonly children: ReactNode }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <div className="unfold no-print">
        <Open>
          <Button aria-expanded={open} onClick={() => setOpen(true)}>
            {name}
          </Button>
        </Open>
      </div>
      <Drawer title={name} open={open} onClose={() => setOpen(false)} size={400} rootClassName="beside-drawer" destroyOnHidden>
        <Rested>{children}</Rested>
      </Drawer>
    </>
  );
}
