"use client";

import type { ReactNode } from "react";
import { useHydrated } from "./use-hydrated";

/**
 * What is worked out of a document is drawn by the browser that asks, not by the server, which has everybody's pages to answer.
 * Until the page has come alive its place is kept empty.
 */
export function OnlyInBrowser({ children }: { children: ReactNode }) {
  return useHydrated() ? <>{children}</> : <div aria-busy="true" className="flex-1 min-h-[60vh]" />;
}
