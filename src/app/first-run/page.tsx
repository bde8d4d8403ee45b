import type { Metadata } from "next";
import { redirect } from "next/navigation";
import { Door } from "@/features/sign-in/door";
import { FirstRunForm } from "@/features/sign-in/first-run-form";
import { isFirstRun } from "@/features/sign-in/queries";

export const metadata: Metadata = { title: "First run" };

export default async function FirstRunPage() {
  if (!(await isFirstRun())) redirect("/sign-in");
  return (
    <Door
      title="A new shop"
      words="Nobody has signed in here yet. You become the owner; others can be added later."
    >
      <FirstRunForm />
    </Door>
  );
}
