"use client";

import { useEffect, useState } from "react";
import { keptPages, type KeptPage } from "@/offline/kept-here";
import { Button } from "@/ui/button";
import { useShopClock } from "@/ui/shop-clock";

/** When the server does not answer and a page is not kept here: those that are, newest first. */
export function KeptView() {
  const [pages, setPages] = useState<KeptPage[] | null>(null);
  const { say } = useShopClock();
  useEffect(() => {
    void keptPages().then(setPages);
  }, []);
  return (
    <main className="min-h-dvh max-w-2xl mx-auto px-7 max-sm:px-4 py-14">
      <p className="heading text-3xl" style={{ fontStretch: "120%" }}>
        Gaugebeam
      </p>
      <h1 className="heading text-2xl mt-10">The server does not answer, and this page is not kept here.</h1>
      <p className="mt-2 mb-6">
        What you do at a pour is kept on this device and goes out as soon as the server is back.
      </p>
      <Button weight="primary" onClick={() => location.reload()}>
        Try again
      </Button>
      {pages && pages.length > 0 && (
        <nav aria-label="Kept on this device" className="mt-10">
          <h2 className="heading text-lg border-b border-ink pb-1">Kept on this device</h2>
          <ul>
            {pages.map(({ path, title, at }) => (
              <li
                key={path}
                className="flex items-baseline justify-between gap-4 border-b border-line min-h-11"
              >
                {/* A link of its own, no route of the app: its page comes whole from this device. */}
                <a href={path} className="underline underline-offset-4 py-2.5">
                  {title}
                </a>
                <span className="text-ink-soft text-sm">{at && `as of ${say(at, "HH:mm, d MMM")}`}</span>
              </li>
            ))}
          </ul>
        </nav>
      )}
    </main>
  );
}
