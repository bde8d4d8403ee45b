import { CupsView } from "@/features/job/cups/cups-view";

export default async function CupsPage({ params }: { params: Promise<{ jobId: string }> }) {
  return <CupsView jobId={(await params).jobId} />;
}
