"use client";

import { BrokenView } from "@/features/shell/broken-view";

/** Loaded anew: a view of which only a part came cannot be drawn from what is there. */
export default function ErrorPage() {
  return <BrokenView again={() => window.location.reload()} />;
}
