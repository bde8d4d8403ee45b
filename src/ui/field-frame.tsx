import type { ReactNode } from "react";
import { classNames } from "./class-names";

/** Label above, control, then what is wrong or what goes beside it. */
export function FieldFrame({
  id,
  label,
  error,
  beside,
  children,
  className,
  hideLabel,
}: {
  id: string;
  label: string;
  error?: string | null;
  beside?: ReactNode;
  children: ReactNode;
  className?: string;
  hideLabel?: boolean;
}) {
  return (
    <div className={classNames("flex flex-col gap-1 min-w-0", className)}>
      <label htmlFor={id} className={hideLabel ? "sr-only" : "label"}>
        {label}
      </label>
      {children}
      {error ? (
        <p
          id={`${id}-error`}
          role="alert"
          className="text-xs text-danger border-l-2 border-danger pl-1.5 leading-4 w-max min-w-full max-w-[min(15rem,80vw)] bg-ground relative z-10"
        >
          {error}
        </p>
      ) : (
        beside && <div className="text-xs text-ink-soft leading-4">{beside}</div>
      )}
    </div>
  );
}

export const controlLook =
  "w-full bg-paper border border-line-strong h-8 px-2 aria-invalid:border-danger aria-invalid:border-2 focus-visible:outline-offset-0";
