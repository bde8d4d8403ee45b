"use client";

import { Dialog as Radix } from "radix-ui";
import type { ReactNode } from "react";

/** A sheet laid over the bench; Escape puts it away unless the question must be answered. */
export function Dialog({
  open,
  onClose,
  title,
  children,
  mustAnswer,
  wide,
}: {
  open: boolean;
  onClose: () => void;
  title: string;
  children: ReactNode;
  mustAnswer?: boolean;
  wide?: boolean;
}) {
  return (
    <Radix.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 bg-night/45 z-40" />
        <Radix.Content
          aria-describedby={undefined}
          onEscapeKeyDown={(event) => mustAnswer && event.preventDefault()}
          onInteractOutside={(event) => mustAnswer && event.preventDefault()}
          className={`fixed z-50 left-1/2 top-1/2 -translate-x-1/2 -translate-y-1/2 bg-ground border border-ink p-6 max-h-[88dvh] overflow-auto w-[calc(100vw-2rem)] ${wide ? "max-w-3xl" : "max-w-md"}`}
        >
          <Radix.Title className="heading text-xl mb-4">{title}</Radix.Title>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
