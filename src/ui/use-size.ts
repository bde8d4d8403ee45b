"use client";

import { useCallback, useState } from "react";

/** Size of an element as the page lays it out, whenever it comes into it; zero until known. */
export function useSize<Kind extends HTMLElement>() {
  const [size, setSize] = useState({ width: 0, height: 0 });
  const ref = useCallback((element: Kind | null) => {
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => {
      if (entry)
        setSize({ width: Math.floor(entry.contentRect.width), height: Math.floor(entry.contentRect.height) });
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return { ref, ...size };
}
