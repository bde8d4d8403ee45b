import { NothingHere } from "@/features/shell/nothing-here";
import { currentPerson } from "@/server/session";

export default async function NotFoundPage() {
  return <NothingHere person={await currentPerson()} />;
}
