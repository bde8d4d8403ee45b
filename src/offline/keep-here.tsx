"use client";

import { useEffect } from "react";
import { keepPages, startServiceWorker } from "./kept-here";

/** Asked for again so often while a page stays open, ms: what is kept shall be of today. */
const AGAIN_MS = 5 * 60_000;

/**
 * Keeps pages on this device, so that they open without the server.
 * @param since what was kept before is out of date, ms
 */
export function KeepHere({ paths, since = 0 }: { paths: readonly string[]; since?: number }) {
  const asked = paths.join(" ");
  useEffect(() => {
    startServiceWorker();
    const keep = () => void keepPages(asked.split(" "), since);
    // What is looked at comes first.
    const first = setTimeout(keep, 3000);
    const timer = setInterval(() => document.visibilityState === "visible" && keep(), AGAIN_MS);
    return () => {
      clearTimeout(first);
      clearInterval(timer);
    };
  }, [asked, since]);
  return null;
}
