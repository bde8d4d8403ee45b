"use client";

import { useCallback } from "react";
import { fetchFile } from "@/ui/save-file";
import { useJobState } from "./use-job";

/** Fetches a sheet of the job from the server: what was typed last is saved first, and an old sheet is not handed out. */
export function useJobFile(): (href: string) => Promise<void> {
  const savedRevision = useJobState((state) => state.savedRevision);
  return useCallback(
    (href) =>
      fetchFile(href, async () =>
        (await savedRevision()) === null
          ? "What you changed last is not saved yet, and the sheet would be old."
          : null,
      ),
    [savedRevision],
  );
}
