"use client";

import { zodResolver } from "@hookform/resolvers/zod";
import { useForm } from "react-hook-form";
import type { z } from "zod";
import type { ActError } from "@/contracts/act";
import { JOB_STATUSES, jobFields, STATUS_WORDS, type JobFields } from "@/contracts/jobs";
import { Button } from "@/ui/button";
import { SelectField, TextField } from "@/ui/text-field";

/** Name, client, status and due date of a job. */
export function JobForm({
  start,
  submitWord,
  onSubmit,
}: {
  start: JobFields;
  submitWord: string;
  onSubmit: (fields: JobFields) => Promise<ActError | null>;
}) {
  const form = useForm<z.input<typeof jobFields>, unknown, JobFields>({
    resolver: zodResolver(jobFields),
    defaultValues: start,
  });
  const { errors, isSubmitting } = form.formState;
  const submit = form.handleSubmit(async (fields) => {
    const error = await onSubmit(fields);
    if (error) form.setError("name", { message: error.message });
  });
  return (
    <form method="post" onSubmit={submit} noValidate className="flex flex-col gap-4">
      <TextField label="Name of the job" autoFocus error={errors.name?.message} {...form.register("name")} />
      <TextField
        label="Client, or empty for own work"
        error={errors.client?.message}
        {...form.register("client")}
      />
      <div className="flex gap-4">
        <SelectField label="Status" frame="flex-1" {...form.register("status")}>
          {JOB_STATUSES.map((status) => (
            <option key={status} value={status}>
              {STATUS_WORDS[status]}
            </option>
          ))}
        </SelectField>
        <TextField
          label="Due"
          type="date"
          frame="flex-1"
          error={errors.dueOn?.message}
          {...form.register("dueOn", { setValueAs: (text: string | null) => text || null })}
        />
      </div>
      <Button type="submit" weight="primary" disabled={isSubmitting} className="self-start mt-2">
        {submitWord}
      </Button>
    </form>
  );
}
