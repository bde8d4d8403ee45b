import { openBench } from "@/features/bench/queries";
import { WindowsView } from "@/features/job/windows/windows-view";
import { requirePerson } from "@/server/require-person";

export default async function WindowsPage() {
  const person = await requirePerson();
  return <WindowsView bench={await openBench(person)} />;
}
