"use client";

import { zodResolver } from "@hookform/resolvers/zod";
import { useRouter } from "next/navigation";
import { useForm } from "react-hook-form";
import type { z } from "zod";
import { callAct } from "@/contracts/call-act";
import { firstRun, firstRunFields } from "@/contracts/people";
import { Button } from "@/ui/button";
import { TextField } from "@/ui/text-field";
import { useHydrated } from "@/ui/use-hydrated";

type Fields = z.output<typeof firstRunFields>;

export function FirstRunForm() {
  const router = useRouter();
  const hydrated = useHydrated();
  const form = useForm<z.input<typeof firstRunFields>, unknown, Fields>({
    resolver: zodResolver(firstRunFields),
    defaultValues: { shopName: "", name: "", email: "", password: "" },
  });
  const { errors, isSubmitting } = form.formState;
  const submit = form.handleSubmit(async (fields) => {
    const result = await callAct(firstRun, {
      ...fields,
      timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
      clock: new Intl.DateTimeFormat(undefined, { hour: "numeric" }).resolvedOptions().hour12 ? "12h" : "24h",
    });
    if (result.ok) router.replace("/jobs");
    else form.setError((result.error.field as keyof Fields) || "shopName", { message: result.error.message });
  });
  return (
    <form method="post" onSubmit={submit} noValidate className="flex flex-col gap-4">
      <TextField
        label="Name of the shop"
        autoFocus
        error={errors.shopName?.message}
        {...form.register("shopName")}
      />
      <TextField
        label="Your name"
        autoComplete="name"
        error={errors.name?.message}
        {...form.register("name")}
      />
      <TextField
        label="E-mail"
        type="email"
        autoComplete="username"
        error={errors.email?.message}
        {...form.register("email")}
      />
      <TextField
        label="Password, at least 10 letters or figures"
        type="password"
        autoComplete="new-password"
        error={errors.password?.message}
        {...form.register("password")}
      />
      <Button type="submit" weight="primary" disabled={isSubmitting || !hydrated} className="self-start">
        Open the shop
      </Button>
    </form>
  );
}
