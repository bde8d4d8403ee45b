"use client";

import { zodResolver } from "@hookform/resolvers/zod";
import { deepEqual } from "fast-equals";
import { useCallback, useEffect, type SubmitEvent } from "react";
import {
  get,
  useForm,
  useWatch,
  type DefaultValues,
  type FieldErrors,
  type FieldValues,
  type Path,
  type Resolver,
} from "react-hook-form";
import type { z } from "zod";
import { keepText, keptText } from "./kept-text";

/** Why it could not be saved; `field` is the path of the entry at fault. */
export type Refusal = { message: string; field?: string };

export type KeptForm<Values> = {
  values: Values;
  set: (next: Partial<Values>) => void;
  /** What is wrong in a field or anywhere below it. */
  faultAt: (path: string) => string | null;
  /** What is wrong and stands beneath none of these fields. */
  problemBeside: (...fields: string[]) => string | null;
  busy: boolean;
  /** Something was typed and is not saved. */
  unsaved: boolean;
  /** Back to what is saved. */
  revert: () => void;
  submit: (event?: SubmitEvent) => void;
};

/**
 * A form whose entries are saved together. What is typed is kept for the session, field by field: closed by mistake or reloaded, it is there
 * again, on top of whatever has been saved by others in between. It is forgotten when `send` gives no error.
 */
export function useKeptForm<Values extends FieldValues>({
  key,
  schema,
  start,
  send,
}: {
  key: string;
  schema: z.ZodType<Values, FieldValues>;
  start: Values;
  /** Fields of an error may be written as the act names them, below `fields`. */
  send: (values: Values) => Promise<Refusal | null>;
}): KeptForm<Values> {
  const form = useForm<Values, unknown, Values>({
    // Entries that a schema may leave out stand in a form all the same.
    resolver: zodResolver(schema) as Resolver<Values, unknown, Values>,
    // A form is built once from whole values.
    defaultValues: start as DefaultValues<Values>,
    shouldFocusError: false,
  });
  const { control, setValue, setError, clearErrors, handleSubmit, reset } = form;
  const values = useWatch({ control }) as Values;
  const { errors, isSubmitting } = form.formState;
  const changed = changedFields(start, values);

  // Storage is read after mounting: the server has none.
  useEffect(() => {
    for (const [field, value] of Object.entries(readKept<Values>(key)))
      setValue(field as Path<Values>, value);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once
  }, []);

  const set = useCallback(
    (next: Partial<Values>) => {
      for (const [field, value] of Object.entries(next)) {
        setValue(field as Path<Values>, value);
        clearErrors(field as Path<Values>);
      }
      clearErrors("root");
      keepChanged(key, changedFields(start, form.getValues()));
    },
    [key, start, form, setValue, clearErrors],
  );
  const drop = () => keepText(key, null);
  const submit = (event?: SubmitEvent) => {
    event?.preventDefault();
    void handleSubmit(async (read) => {
      const error = await send(read);
      if (!error) return drop();
      const field = error.field?.replace(/^fields\./, "");
      setError((field && field.split(".")[0]! in start ? field : "root") as Path<Values>, {
        message: error.message,
      });
    })();
  };

  return {
    values,
    set,
    faultAt: (path) => firstMessage(get(errors, path)),
    problemBeside: (...fields) =>
      firstMessage(Object.fromEntries(Object.entries(errors).filter(([field]) => !fields.includes(field)))),
    busy: isSubmitting,
    unsaved: Object.keys(changed).length > 0,
    revert: () => {
      drop();
      reset(start);
    },
    submit,
  };
}

const changedFields = <Values extends FieldValues>(start: Values, values: Values): Partial<Values> =>
  Object.fromEntries(
    Object.entries(values).filter(([field, value]) => !deepEqual(value, start[field])),
  ) as Partial<Values>;

const keepChanged = (key: string, changed: object): void =>
  keepText(key, Object.keys(changed).length > 0 ? JSON.stringify(changed) : null);

function readKept<Values>(key: string): Partial<Values> {
  try {
    return JSON.parse(keptText(key) ?? "{}") as Partial<Values>;
  } catch {
    return {};
  }
}

/** The first message in what react-hook-form knows of a field's faults. */
function firstMessage(fault: FieldErrors | unknown): string | null {
  if (typeof fault !== "object" || fault === null) return null;
  if ("message" in fault && typeof fault.message === "string") return fault.message;
  for (const [name, below] of Object.entries(fault)) {
    if (name === "ref") continue;
    const message = firstMessage(below);
    if (message !== null) return message;
  }
  return null;
}
