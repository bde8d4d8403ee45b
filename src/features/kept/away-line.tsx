"use client";

import { useEffect, useState } from "react";
import { serverAnswers } from "@/contracts/call-act";
import { useShopClock } from "@/ui/shop-clock";

/** The server is asked so often whether it is there, ms. */
const ASK_MS = 30_000;

/** Said while the server does not answer: from when this page is, and that nothing is lost. */
export function AwayLine({ shownAt }: { shownAt: string }) {
  const [away, setAway] = useState(false);
  const { say } = useShopClock();
  useEffect(() => {
    let over = false;
    const ask = async () => {
      if (document.visibilityState === "hidden") return;
      const answers = await serverAnswers();
      if (!over) setAway(!answers);
    };
    const now = () => void ask();
    now();
    const timer = setInterval(now, ASK_MS);
    for (const event of ["online", "offline"]) window.addEventListener(event, now);
    return () => {
      over = true;
      clearInterval(timer);
      for (const event of ["online", "offline"]) window.removeEventListener(event, now);
    };
  }, []);
  if (!away) return null;
  return (
    <p role="status" className="off-paper border-b-2 border-danger px-7 max-sm:px-4 py-2">
      The server does not answer. This page is as of {say(new Date(shownAt), "HH:mm, d MMM")}; what you do at
      a pour is kept on this device and goes out when the server is back.
    </p>
  );
}
