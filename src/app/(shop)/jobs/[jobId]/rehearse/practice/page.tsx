import { PracticeView } from "@/features/job/rehearse/practice-view";

export default function PracticePage() {
  return <PracticeView />;
}
