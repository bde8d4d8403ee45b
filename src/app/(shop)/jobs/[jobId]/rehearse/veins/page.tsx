import { VeinsView } from "@/features/job/rehearse/veins-view";

export default function VeinsPage() {
  return <VeinsView />;
}
