"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { callAct } from "@/contracts/call-act";
import { tellStock, type StockSaid } from "@/contracts/shelf";
import type { Refusal } from "@/ui/use-kept-form";

/** Tells something of a lot under one id, so that sent once more it does no harm; what went wrong comes back for the form that asked. */
export function useTold(lotId: string, onDone: () => void): (said: StockSaid) => Promise<Refusal | null> {
  const router = useRouter();
  const [id] = useState(() => crypto.randomUUID());
  return async (said) => {
    const result = await callAct(tellStock, { id, lotId, said });
    if (!result.ok) return result.error;
    router.refresh();
    onDone();
    return null;
  };
}
