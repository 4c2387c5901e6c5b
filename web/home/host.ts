import { createContext, useContext } from "react";

/** Where the page was asked for, "builds.example.org:8150": the server says it while it draws the page, the browser knows it. */
export const HostContext = createContext<string | null>(null);

export const useHost = (): string => useContext(HostContext) ?? location.host;
