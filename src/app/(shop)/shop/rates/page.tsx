import type { Metadata } from "next";
import { shopRates } from "@/features/money/queries";
import { RatesView } from "@/features/money/rates-view";
import { Header } from "@/features/shell/header";
import { requirePerson } from "@/server/require-person";

export const metadata: Metadata = { title: "What we reckon with" };

export default async function RatesPage() {
  const person = await requirePerson();
  return (
    <>
      <Header person={person} />
      <div className="flex-1 overflow-y-auto max-lg:overflow-visible">
        <RatesView {...await shopRates(person)} canChange={person.role === "owner"} system={person.units} />
      </div>
    </>
  );
}
