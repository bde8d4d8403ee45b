"use client";

import { useSyncExternalStore } from "react";

const never = () => () => {};

/** Whether the page has come alive: before that a form would be sent by the browser itself. */
export const useHydrated = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
