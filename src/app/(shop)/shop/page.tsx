import type { Metadata } from "next";
import { PeopleView } from "@/features/people/people-view";
import { listPeople } from "@/features/people/queries";
import { Header } from "@/features/shell/header";
import { requirePerson } from "@/server/require-person";

export const metadata: Metadata = { title: "Shop" };

export default async function ShopPage() {
  const person = await requirePerson();
  return (
    <>
      <Header person={person} />
      <div className="flex-1 overflow-y-auto">
        <PeopleView me={person} people={await listPeople(person)} />
      </div>
    </>
  );
}
