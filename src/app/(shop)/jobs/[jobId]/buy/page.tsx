import type { Metadata } from "next";
import { BuyView } from "@/features/job/buy/buy-view";
import { jobsToBuyFor } from "@/features/job/queries";
import { freeOnShelf } from "@/features/shelf/queries";
import { orNotFound } from "@/server/or-not-found";
import { requirePerson } from "@/server/require-person";

export const metadata: Metadata = { title: "What to buy" };

export default async function BuyPage({
  params,
  searchParams,
}: {
  params: Promise<{ jobId: string }>;
  searchParams: Promise<{ with?: string | string[] }>;
}) {
  const person = await requirePerson();
  const { jobId } = await params;
  const others = [(await searchParams).with ?? []].flat();
  const onShelf = await freeOnShelf(person, [jobId, ...others]);
  const bought = await orNotFound(jobsToBuyFor(person, jobId, others, onShelf));
  return <BuyView jobId={jobId} {...bought} system={person.units} />;
}
