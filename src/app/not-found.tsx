import { NothingHere } from "@/features/shell/nothing-here";

export default function NotFoundPage() {
  return <NothingHere />;
}
