"use client";

import { BrokenView } from "@/features/shell/broken-view";

export default function ErrorPage({ reset }: { error: Error; reset: () => void }) {
  return <BrokenView again={reset} />;
}
