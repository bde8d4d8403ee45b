import type { Metadata } from "next";
import { BegunHere } from "@/features/pour/begun-here";

export const metadata: Metadata = { title: "Pour begun on this device" };

/** A pour that was begun without the server, whose number stands behind the # of the address; the server is asked for nothing. */
export default function BegunHerePage() {
  return <BegunHere />;
}
