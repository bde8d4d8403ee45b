import { BuildView } from "@/features/job/build/build-view";

export default function BuildPage() {
  return <BuildView />;
}
