"use client";

import { setNonce } from "get-nonce";

/** Hands the page's nonce to the libraries that add a style of their own (dialogs lock the page's scrolling). */
export function StyleNonce({ nonce }: { nonce: string }) {
  if (nonce) setNonce(nonce);
  return null;
}
