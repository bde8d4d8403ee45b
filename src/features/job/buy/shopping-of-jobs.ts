import type { ResinCard } from "@/core/cure/resin-card";
import { derivePlan } from "@/core/plan/derive-plan";
import type { JobDocument } from "@/core/plan/job";
import { shoppingFor, type Shopping } from "@/core/plan/shopping";

export type JobsToBuyFor = { documents: readonly JobDocument[]; cards: readonly ResinCard[] };

/** What several jobs need together. */
export const shoppingOfJobs = ({ documents, cards }: JobsToBuyFor): Shopping =>
  shoppingFor(documents.map((document) => derivePlan(document, cards)));
