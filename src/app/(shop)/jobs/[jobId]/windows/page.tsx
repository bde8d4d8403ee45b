import { WindowsView } from "@/features/job/windows/windows-view";

export default function WindowsPage() {
  return <WindowsView />;
}
