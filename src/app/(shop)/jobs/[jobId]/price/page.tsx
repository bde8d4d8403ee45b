import type { Metadata } from "next";
import { sent } from "@/contracts/sent";
import { openPrice } from "@/features/money/queries";
import { PriceView } from "@/features/money/price-view";
import { orderOfJob } from "@/features/money/quote/queries";
import { orNotFound } from "@/server/or-not-found";
import { requirePerson } from "@/server/require-person";

export const metadata: Metadata = { title: "Price" };

export default async function PricePage({ params }: { params: Promise<{ jobId: string }> }) {
  const person = await requirePerson();
  const { jobId } = await params;
  const price = await orNotFound(openPrice(person, jobId));
  const order = await orderOfJob(person, jobId);
  return <PriceView jobId={jobId} shown={sent(price)} order={order} system={person.units} />;
}
