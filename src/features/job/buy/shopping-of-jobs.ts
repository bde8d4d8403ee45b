import type { ResinCard } from "@/core/cure/resin-card";
import { derivePlan } from "@/core/plan/derive-plan";
import type { JobDocument } from "@/core/job/job";
import { shoppingFor, type OnShelf, type Shopping } from "@/core/shop/shopping";

export type JobsToBuyFor = {
  documents: readonly JobDocument[];
  cards: readonly ResinCard[];
  onShelf: OnShelf;
};

/** What several jobs need together, less what the shelf has free. */
export const shoppingOfJobs = ({ documents, cards, onShelf }: JobsToBuyFor): Shopping =>
  shoppingFor(
    documents.map((document) => derivePlan(document, cards)),
    onShelf,
  );
