import Link from "next/link";
import type { LaidJob } from "@/core/schedule/shop-days";
import { type Trouble } from "@/core/schedule/troubles";
import { TROUBLE_WORDS } from "@/core/schedule/trouble-words";

/** Between jobs: what one shop cannot do at once. */
const BETWEEN: readonly Trouble["kind"][] = ["hands", "waits", "no place"];
const MOST = 4;

/** What is wrong in the days of the shop: clashes between jobs in their own words, the rest of each job in a line. */
export function ShopTroubles({ laid, hrefOf }: { laid: readonly LaidJob[]; hrefOf: (id: string) => string }) {
  const lines = laid.flatMap(({ id, name, plan }) => {
    const troubles = plan.troubles.filter(({ kind }) => !BETWEEN.includes(kind));
    const kinds = [...new Set(troubles.map(({ kind }) => kind))];
    return [
      ...plan.troubles
        .filter(({ kind }) => BETWEEN.includes(kind))
        .map(({ words }) => ({ id, name, words, rank: 0 })),
      ...(troubles.length > 0
        ? [
            {
              id,
              name,
              words: kinds
                .map((kind) => {
                  const many = troubles.filter((trouble) => trouble.kind === kind).length;
                  return `${many} ${many === 1 ? "act" : "acts"} ${TROUBLE_WORDS[kind]}`;
                })
                .join(", "),
              rank: 1,
            },
          ]
        : []),
    ];
  });
  if (lines.length === 0) return null;
  const shown = lines.sort((a, b) => a.rank - b.rank).slice(0, MOST);
  return (
    <ul aria-label="To look at" className="mt-5 flex flex-col gap-1">
      {shown.map(({ id, name, words }) => (
        <li key={`${id} ${words}`} className="border-l-[3px] border-ink pl-3 text-sm">
          <Link href={hrefOf(id)} className="hover:underline underline-offset-4">
            <span className="font-semibold">{name}:</span> {words}
          </Link>
        </li>
      ))}
      {lines.length > MOST && <li className="label pl-3">and {lines.length - MOST} more</li>}
    </ul>
  );
}
