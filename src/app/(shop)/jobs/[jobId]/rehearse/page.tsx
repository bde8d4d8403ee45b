import { RehearseView } from "@/features/job/rehearse/rehearse-view";

export default function RehearsePage() {
  return <RehearseView />;
}
