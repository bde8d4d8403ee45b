"use client";

import { useEffect, useState } from "react";
import { callAct } from "@/contracts/call-act";
import { openRecipeVersion, type RecipeVersion } from "@/contracts/recipes";

type Named = RecipeVersion & { name: string };

/** Versions never change: once read, they are kept for the tab. */
const read = new Map<string, Named>();

/** A recipe version; null while it is read, or when it cannot be. */
export function useVersion(versionId: string | null): Named | null {
  const [, redraw] = useState(0);
  useEffect(() => {
    if (versionId === null || read.has(versionId)) return;
    let here = true;
    void callAct(openRecipeVersion, { versionId }).then((result) => {
      if (!result.ok) return;
      read.set(versionId, result.value);
      if (here) redraw((count) => count + 1);
    });
    return () => {
      here = false;
    };
  }, [versionId]);
  return versionId === null ? null : (read.get(versionId) ?? null);
}
