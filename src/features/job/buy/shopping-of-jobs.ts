import type { ResinCard } from "@/core/cure/resin-card";
import { derivePlan } from "@/core/plan/derive-plan";
import type { JobDocument } from "@/core/job/job";
import { shoppingFor, type Shopping } from "@/core/shop/shopping";

export type JobsToBuyFor = { documents: readonly JobDocument[]; cards: readonly ResinCard[] };

/** What several jobs need together. */
export const shoppingOfJobs = ({ documents, cards }: JobsToBuyFor): Shopping =>
  shoppingFor(documents.map((document) => derivePlan(document, cards)));
