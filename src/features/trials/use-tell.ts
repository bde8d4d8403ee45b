"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { callAct } from "@/contracts/call-act";
import { tellTrial, type TrialSaid } from "@/contracts/trials";

/** Tells something of a trial; what is wrong in words, or null. True where it was taken. */
export function useTell(trialId: string) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const tell = async (said: TrialSaid): Promise<boolean> => {
    const result = await callAct(tellTrial, { id: crypto.randomUUID(), trialId, said });
    setProblem(result.ok ? null : result.error.message);
    if (result.ok) router.refresh();
    return result.ok;
  };
  return { tell, problem };
}
