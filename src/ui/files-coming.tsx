"use client";

import { useStore } from "zustand";
import { Button } from "./button";
import { filesComing, forgetFile, nameOfFile } from "./save-file";

/** What the server is making for this screen, and what did not come, with the way to ask again. */
export function FilesComing() {
  const files = useStore(filesComing);
  if (files.length === 0) return null;
  return (
    <div className="border-t border-line px-7 max-sm:px-4 py-1.5 text-sm print:hidden">
      {files.map(({ href, trouble, again }) => (
        <p
          key={href}
          role={trouble ? "alert" : "status"}
          className={`flex flex-wrap gap-x-4 items-baseline ${trouble ? "text-danger" : "text-ink-soft"}`}
        >
          <span className="text-ink">{nameOfFile(null, href)}</span>
          {trouble ?? "is being made …"}
          {trouble && (
            <>
              <Button weight="quiet" onClick={again}>
                ask again
              </Button>
              <Button weight="quiet" onClick={() => forgetFile(href)}>
                leave it
              </Button>
            </>
          )}
        </p>
      ))}
    </div>
  );
}
