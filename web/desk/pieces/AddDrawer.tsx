import { Drawer } from "antd";
import type { ReactNode } from "react";
import "./addDrawer.css";

interface AddDrawerProps {
  readonly title: string;
  readonly open: boolean;
  /** px */
  readonly width?: number;
  readonly onLeave: () => void;
  readonly children: ReactNode;
}

/** Where something new is written down, with what it is added to still in sight; what is typed stays when it is left. */
export function AddDrawer({ title, open, width = 620, onLeave, children }: AddDrawerProps) {
  return (
    <Drawer title={title} open={open} onClose={onLeave} size={width} destroyOnHidden rootClassName="add-drawer">
      {children}
    </Drawer>
  );
}
