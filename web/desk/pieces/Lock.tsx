import { type Capability, may, whoMay } from "@lampcrate/contract";
import { useQuery } from "@tanstack/react-query";
import { ConfigProvider } from "antd";
import type { ReactNode } from "react";
import { LockedContext } from "../../shared/pieces/locked.ts";
import { meQuery } from "../queries.ts";

/** What whoever is signed in may do here. */
export function useMay(): (what: Capability) => boolean {
  const role = useQuery(meQuery).data?.person?.role;
  return (what) => role !== undefined && may(role, what);
}

interface LockProps {
  readonly to: Capability;
  /** Says once who may change it; left out where that is plain. */
  readonly told?: boolean;
  readonly children: ReactNode;
}

/** What stands inside can be changed by those who may; everybody else looks at it. */
export function Lock({ to, told = false, children }: LockProps) {
  const locked = !useMay()(to);
  return (
    <LockedWhen locked={locked}>
      {locked && told ? <p className="soft small run-trouble">You can look at this; {whoMay(to)} changes it.</p> : null}
      {children}
    </LockedWhen>
  );
}

/** What stands inside can only be looked at while it is locked. */
export function LockedWhen({ locked, children }: { readonly locked: boolean; readonly children: ReactNode }) {
  return (
    <LockedContext.Provider value={locked}>
      <ConfigProvider componentDisabled={locked}>{children}</ConfigProvider>
    </LockedContext.Provider>
  );
}

/** What changes nothing works for everybody, whatever stands around it. */
export function Open({ children }: { readonly children: ReactNode }) {
  return <LockedWhen locked={false}>{children}</LockedWhen>;
}
