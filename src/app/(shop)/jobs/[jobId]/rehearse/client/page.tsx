import { ClientView } from "@/features/job/rehearse/client-view";

export default function ClientPage() {
  return <ClientView />;
}
