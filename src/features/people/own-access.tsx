"use client";

import { zodResolver } from "@hookform/resolvers/zod";
import { useState } from "react";
import { useForm } from "react-hook-form";
import type { z } from "zod";
import { callAct } from "@/contracts/call-act";
import { changePassword, changePasswordFields, signOutEverywhere } from "@/contracts/people";
import { useSignOut } from "@/offline/use-sign-out";
import { Button } from "@/ui/button";
import { SignOutDialog } from "@/ui/sign-out-dialog";
import { TextField } from "@/ui/text-field";

type Fields = z.output<typeof changePasswordFields>;

const EMPTY: Fields = { current: "", password: "" };

/** One's own password, and an end to all of one's sessions. */
export function OwnAccess() {
  const { ask, ...leaving } = useSignOut(() => callAct(signOutEverywhere, {}));
  const [changed, setChanged] = useState(false);
  const form = useForm<z.input<typeof changePasswordFields>, unknown, Fields>({
    resolver: zodResolver(changePasswordFields),
    defaultValues: EMPTY,
  });
  const { errors, isSubmitting } = form.formState;
  const change = form.handleSubmit(async (fields) => {
    setChanged(false);
    const result = await callAct(changePassword, fields);
    if (!result.ok) {
      form.setError(result.error.field === "password" ? "password" : "current", {
        message: result.error.message,
      });
      return;
    }
    form.reset(EMPTY);
    setChanged(true);
  });
  return (
    <form method="post" onSubmit={change} noValidate className="mt-8">
      <h2 className="heading text-lg mb-3">Your password</h2>
      <div className="grid grid-cols-4 gap-4 items-start max-md:grid-cols-1">
        <TextField
          label="The one you have"
          type="password"
          autoComplete="current-password"
          error={errors.current?.message}
          {...form.register("current")}
        />
        <TextField
          label="A new one"
          type="password"
          autoComplete="new-password"
          error={errors.password?.message}
          {...form.register("password")}
        />
      </div>
      <div className="flex items-baseline gap-5 mt-4 flex-wrap">
        <Button type="submit" disabled={isSubmitting}>
          Change it
        </Button>
        <Button weight="quiet" onClick={ask}>
          Sign out on every device
        </Button>
        {changed && (
          <p role="status">Changed. Every other device that was signed in as you has to sign in again.</p>
        )}
      </div>
      <SignOutDialog {...leaving} />
    </form>
  );
}
