import { redirect } from "next/navigation";
import { requirePerson } from "@/server/require-person";

export default async function Home() {
  await requirePerson();
  redirect("/bench");
}
