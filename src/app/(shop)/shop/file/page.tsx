import type { Metadata } from "next";
import { redirect } from "next/navigation";
import { Header } from "@/features/shell/header";
import { ShopFileView } from "@/features/shop-file/shop-file-view";
import { nightly } from "@/server/nightly";
import { requirePerson } from "@/server/require-person";

export const metadata: Metadata = { title: "The shop in a file" };

export default async function ShopFilePage() {
  const person = await requirePerson();
  if (person.role !== "owner") redirect("/shop");
  return (
    <>
      <Header person={person} />
      <div className="flex-1 overflow-y-auto max-lg:overflow-visible">
        <ShopFileView shopName={person.shopName} nightly={await nightly()} />
      </div>
    </>
  );
}
