"use client";

import { DropdownMenu } from "radix-ui";
import type { ReactNode } from "react";

/** A short list of acts behind a word. */
export function Menu({
  label,
  children,
  align = "end",
}: {
  label: string;
  children: ReactNode;
  align?: "start" | "end";
}) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger className="underline underline-offset-4 decoration-line-strong hover:decoration-ink min-h-6 px-0.5">
        {label}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align={align}
          sideOffset={6}
          className="z-50 bg-paper border border-ink py-1 min-w-44 max-h-[var(--radix-dropdown-menu-content-available-height)] overflow-y-auto"
        >
          {children}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

export function MenuItem({
  onSelect,
  children,
  danger,
}: {
  onSelect: () => void;
  children: ReactNode;
  danger?: boolean;
}) {
  return (
    <DropdownMenu.Item
      onSelect={onSelect}
      className={`px-3 py-1.5 outline-none data-[highlighted]:bg-ink data-[highlighted]:text-paper cursor-pointer ${danger ? "text-danger" : ""}`}
    >
      {children}
    </DropdownMenu.Item>
  );
}

/** What the acts below it have in common. */
export function MenuHeading({ children }: { children: ReactNode }) {
  return <DropdownMenu.Label className="label px-3 pt-2 pb-0.5">{children}</DropdownMenu.Label>;
}
