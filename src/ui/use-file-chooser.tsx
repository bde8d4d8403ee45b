"use client";

import { useRef, type ReactNode } from "react";

/** The browser's own chooser of one file: a hidden input to be drawn somewhere, and the way to open it. The same file may be chosen twice; a phone offers its camera as well as its pictures. */
export function useFileChooser({
  label,
  accept,
  onFile,
}: {
  /** What the input is called to readers, and to tests. */
  label: string;
  accept: string;
  onFile: (file: File) => void;
}): { input: ReactNode; choose: () => void } {
  const ref = useRef<HTMLInputElement>(null);
  const input = (
    <input
      ref={ref}
      type="file"
      accept={accept}
      aria-label={label}
      className="sr-only"
      tabIndex={-1}
      onChange={(event) => {
        const file = event.target.files?.[0];
        event.target.value = "";
        if (file) onFile(file);
      }}
    />
  );
  return { input, choose: () => ref.current?.click() };
}
