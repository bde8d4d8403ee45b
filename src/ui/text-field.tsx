"use client";

import { useId, type ComponentPropsWithRef } from "react";
import { classNames } from "./class-names";
import { controlLook, FieldFrame } from "./field-frame";

type Props = Omit<ComponentPropsWithRef<"input">, "id" | "size"> & {
  label: string;
  error?: string | null;
  frame?: string;
  /** For rows of a table whose head says what stands below. */
  hideLabel?: boolean;
};

/** A field for words. */
export function TextField({ label, error, frame, hideLabel, className, ...rest }: Props) {
  const id = useId();
  return (
    <FieldFrame id={id} label={label} error={error} className={frame} hideLabel={hideLabel}>
      <input
        id={id}
        {...rest}
        aria-invalid={Boolean(error)}
        aria-describedby={error ? `${id}-error` : undefined}
        className={classNames(controlLook, className)}
      />
    </FieldFrame>
  );
}

/** A list to choose from: the browser's own list in our frame, since it works with every keyboard, reader and phone. */
export function SelectField({
  label,
  error,
  frame,
  hideLabel,
  className,
  children,
  ...rest
}: Omit<ComponentPropsWithRef<"select">, "id"> & {
  label: string;
  error?: string | null;
  frame?: string;
  hideLabel?: boolean;
}) {
  const id = useId();
  return (
    <FieldFrame id={id} label={label} error={error} className={frame} hideLabel={hideLabel}>
      <select
        id={id}
        {...rest}
        aria-invalid={Boolean(error)}
        className={classNames(controlLook, "select-mark pr-6", className)}
      >
        {children}
      </select>
    </FieldFrame>
  );
}

/** A field for words of several lines. */
export function TextAreaField({
  label,
  error,
  frame,
  className,
  ...rest
}: Omit<ComponentPropsWithRef<"textarea">, "id"> & { label: string; error?: string | null; frame?: string }) {
  const id = useId();
  return (
    <FieldFrame id={id} label={label} error={error} className={frame}>
      <textarea
        id={id}
        {...rest}
        aria-invalid={Boolean(error)}
        aria-describedby={error ? `${id}-error` : undefined}
        className={classNames(controlLook, "h-auto py-1 leading-snug", className)}
      />
    </FieldFrame>
  );
}
