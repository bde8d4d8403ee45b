"use client";

import { useEffect, useRef, useState } from "react";

/** Size of an element as the page lays it out; zero until known. */
export function useSize<Kind extends HTMLElement>() {
  const ref = useRef<Kind>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  useEffect(() => {
    const element = ref.current;
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
