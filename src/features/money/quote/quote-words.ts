import type { QuoteState } from "@/core/money/quote";

export const QUOTE_STATE_WORDS: Record<QuoteState, string> = {
  made: "not sent yet",
  sent: "sent",
  accepted: "accepted",
  declined: "declined",
  withdrawn: "withdrawn",
  expired: "run out",
};
