import type { CSSProperties, ReactNode } from "react";

/** Looks side by side, on a phone one below the other; one alone is no wider than it is read well. */
export function LookColumns({ many, children }: { many: number; children: ReactNode }) {
  return (
    <div
      className="grid gap-7 mt-4 lg:grid-cols-[repeat(var(--looks),minmax(0,var(--wide)))]"
      style={{ "--looks": many, "--wide": many === 1 ? "34rem" : "1fr" } as CSSProperties}
    >
      {children}
    </div>
  );
}
