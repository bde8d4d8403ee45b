import type { Metadata } from "next";
import { redirect } from "next/navigation";
import { Door } from "@/features/sign-in/door";
import { isFirstRun } from "@/features/sign-in/queries";
import { SignInForm } from "@/features/sign-in/sign-in-form";
import { currentPerson } from "@/server/session";

export const metadata: Metadata = { title: "Sign in" };

export default async function SignInPage() {
  if (await currentPerson()) redirect("/bench");
  if (await isFirstRun()) redirect("/first-run");
  return (
    <Door title="Sign in" words="The cups come out right, and every pass falls in its window.">
      <SignInForm />
    </Door>
  );
}
