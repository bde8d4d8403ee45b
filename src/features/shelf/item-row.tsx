import Link from "next/link";
import type { ItemStands } from "@/core/shelf/item-stands";
import { amountText } from "@/core/shelf/shelf-words";
import type { UnitSystem } from "@/core/units/dimension";
import { quantityText } from "@/core/units/format-quantity";
import { classNames } from "@/ui/class-names";
import { useClockWords } from "@/ui/shop-clock";
import { StockGauge } from "./stock-gauge";

/** One thing of the shelf: how much is there, what jobs take, and what is to be looked at. */
export function ItemRow({
  stands,
  chosen,
  hex,
  system,
}: {
  stands: ItemStands;
  chosen: boolean;
  hex: string | null;
  system: UnitSystem;
}) {
  const { item, pairs, there, past, shortages, few, toCount, endsOn } = stands;
  const { dateText } = useClockWords();
  const sure = shortages.some((short) => short.sure);
  const alert = toCount
    ? "less than nothing by the book: count it"
    : shortages.length > 0
      ? `${sure ? "short" : "may be short"} on ${dateText(shortages[0]!.day)}`
      : past > 0
        ? "some is past its date"
        : few
          ? "few"
          : null;
  const figure =
    pairs && stands.card?.kind !== "paint"
      ? `${pairs.full} ${pairs.full === 1 ? "pair" : "pairs"}`
      : pairs
        ? quantityText(there, "volume", system)
        : amountText(item.kind, there, system);
  return (
    <li className="border-b border-line">
      <Link
        prefetch={false}
        href={`/shelf?item=${item.id}`}
        aria-current={chosen ? "page" : undefined}
        className={classNames(
          "block py-2 pl-3 border-l-[3px] hover:bg-paper",
          chosen ? "border-signal" : "border-transparent",
        )}
      >
        <span className="flex items-baseline gap-3">
          {hex && (
            <span
              aria-hidden
              className="size-[14px] border border-ink self-center"
              style={{ background: hex }}
            />
          )}
          <span className="font-semibold flex-1 min-w-0">{item.name}</span>
          <span className="figure text-xl whitespace-nowrap">{figure}</span>
        </span>
        <StockGauge stands={stands} />
        <span className="flex gap-3 label">
          <span className={classNames("flex-1", alert && (sure || toCount) && "text-danger font-semibold")}>
            {alert ?? (endsOn ? `in date to ${dateText(endsOn)}` : "")}
          </span>
          <span>
            {pairs?.over && `${quantityText(pairs.over.grams, "mass", system)} of ${pairs.over.part} over`}
          </span>
        </span>
      </Link>
    </li>
  );
}
