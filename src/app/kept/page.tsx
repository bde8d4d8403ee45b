import type { Metadata } from "next";
import { KeptView } from "@/features/kept/kept-view";

export const metadata: Metadata = { title: "The server does not answer" };

/** Shown by the service worker in place of a page that is not kept; it asks the server for nothing. */
export default function KeptPage() {
  return <KeptView />;
}
