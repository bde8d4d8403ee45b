import { redirect } from "next/navigation";

export default async function JobPage({ params }: { params: Promise<{ jobId: string }> }) {
  redirect(`/jobs/${(await params).jobId}/measure`);
}
