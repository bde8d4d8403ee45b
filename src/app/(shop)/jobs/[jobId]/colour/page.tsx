import { ColourView } from "@/features/job/colour/colour-view";

export default function ColourPage() {
  return <ColourView />;
}
