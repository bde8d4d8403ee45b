"use client";

import { zodResolver } from "@hookform/resolvers/zod";
import { useRouter } from "next/navigation";
import { useForm } from "react-hook-form";
import type { z } from "zod";
import { callAct } from "@/contracts/call-act";
import { signIn, signInFields } from "@/contracts/people";
import { Button } from "@/ui/button";
import { TextField } from "@/ui/text-field";
import { useHydrated } from "@/ui/use-hydrated";

export function SignInForm() {
  const router = useRouter();
  const hydrated = useHydrated();
  const form = useForm<z.input<typeof signInFields>, unknown, z.output<typeof signInFields>>({
    resolver: zodResolver(signInFields),
    defaultValues: { email: "", password: "" },
  });
  const { errors, isSubmitting } = form.formState;
  const submit = form.handleSubmit(async (fields) => {
    const result = await callAct(signIn, fields);
    if (result.ok) router.replace("/bench");
    else
      form.setError(result.error.field === "email" ? "email" : "password", { message: result.error.message });
  });
  return (
    <form method="post" onSubmit={submit} noValidate className="flex flex-col gap-4">
      <TextField
        label="E-mail"
        type="email"
        autoComplete="username"
        autoFocus
        error={errors.email?.message}
        {...form.register("email")}
      />
      <TextField
        label="Password"
        type="password"
        autoComplete="current-password"
        error={errors.password?.message}
        {...form.register("password")}
      />
      <Button type="submit" weight="primary" disabled={isSubmitting || !hydrated} className="self-start">
        Sign in
      </Button>
    </form>
  );
}
