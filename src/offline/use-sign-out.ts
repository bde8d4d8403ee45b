"use client";

import { useState } from "react";
import type { ActResult } from "@/contracts/act";
import { notSentYet, wipeDevice, type NotSent } from "./kept-here";

/**
 * Signs out, and wipes what this device keeps. Where something has not reached the server it asks first: `asking` says what. `trouble`: the server did
 * not do it, and nothing was wiped.
 */
export function useSignOut(signOut: () => Promise<ActResult<null>>) {
  const [asking, setAsking] = useState<NotSent | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const now = async () => {
    setAsking(null);
    const result = await signOut();
    if (!result.ok) return setTrouble(`${result.error.message} You are still signed in.`);
    await wipeDevice();
    // The whole page goes: nothing of this person stays in it.
    location.replace("/sign-in");
  };
  const ask = async () => {
    setTrouble(null);
    const left = await notSentYet();
    if (left.entries + left.changes > 0) setAsking(left);
    else await now();
  };
  const close = () => {
    setAsking(null);
    setTrouble(null);
  };
  return { asking, trouble, ask: () => void ask(), now: () => void now(), close };
}
