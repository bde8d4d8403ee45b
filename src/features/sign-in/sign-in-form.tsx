"use client";

import { zodResolver } from "@hookform/resolvers/zod";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { useForm } from "react-hook-form";
import type { z } from "zod";
import { callAct } from "@/contracts/call-act";
import { signIn, signInFields, type SignedIn } from "@/contracts/people";
import { wipePages } from "@/offline/kept-here";
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
  /** Where one works for several shops: which of them. */
  const [shops, setShops] = useState<NonNullable<SignedIn>["shops"]>([]);
  const into = (shopId?: string) =>
    form.handleSubmit(async (fields) => {
      const result = await callAct(signIn, { ...fields, ...(shopId ? { shopId } : {}) });
      if (!result.ok)
        form.setError(result.error.field === "email" ? "email" : "password", {
          message: result.error.message,
        });
      else if (result.value) setShops(result.value.shops);
      else {
        // What this device kept was somebody's, maybe another's.
        await wipePages().catch(() => {});
        router.replace("/bench");
      }
    });
  if (shops.length > 0)
    return (
      <div role="group" aria-label="Which shop" className="flex flex-col gap-3 items-start">
        <p>You work for more than one shop. Which one now?</p>
        {shops.map(({ id, name }) => (
          <Button key={id} weight="primary" disabled={isSubmitting} onClick={() => void into(id)()}>
            {name}
          </Button>
        ))}
      </div>
    );
  return (
    <form method="post" onSubmit={into()} noValidate className="flex flex-col gap-4">
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
