import type { ComponentPropsWithRef } from "react";
import { classNames } from "./class-names";

type Weight = "primary" | "plain" | "quiet" | "danger";

const LOOK: Record<Weight, string> = {
  primary: "border border-ink bg-ink text-paper px-4 min-h-9 hover:bg-ink-soft",
  plain: "border border-ink px-3.5 min-h-9 hover:bg-paper",
  quiet: "underline underline-offset-4 decoration-line-strong hover:decoration-ink px-0.5 min-h-6",
  danger: "border border-danger text-danger px-3.5 min-h-9 hover:bg-paper",
};

/** A squared button. The primary one is used once in a view. */
export function Button({
  weight = "plain",
  className,
  ...rest
}: ComponentPropsWithRef<"button"> & { weight?: Weight }) {
  return (
    <button
      type="button"
      {...rest}
      className={classNames(LOOK[weight], "disabled:opacity-45 disabled:no-underline", className)}
    />
  );
}
