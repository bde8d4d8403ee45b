import { moneyText } from "@/core/money/money";
import { priceOf, type AskedLine, type PriceRules } from "@/core/money/price";
import type { UnitSystem } from "@/core/units/dimension";
import { Button } from "@/ui/button";
import { QuantityField } from "@/ui/quantity-field";
import { TextField } from "@/ui/text-field";
import { MoneyField } from "./money-field";
import { UnitField } from "./unit-field";

/** Lines of a price to be typed, each with what it comes to; what is asked of none is grey. Narrow, a line stands in two. */
export function PriceLines({
  lines,
  rules,
  system,
  faultAt,
  of = "",
  narrow = false,
  onChange,
}: {
  lines: readonly AskedLine[];
  rules: PriceRules;
  system: UnitSystem;
  /** What is wrong at a path below the lines. */
  faultAt: (path: string) => string | null;
  /** Whose lines they are, for a reader who hears the labels. */
  of?: string;
  narrow?: boolean;
  onChange: (lines: AskedLine[]) => void;
}) {
  const used = lines.filter(({ quantity }) => quantity > 0);
  const price = priceOf(used, rules);
  const name = (words: string, index: number) => `${words}, line ${index + 1}${of && ` of ${of}`}`;
  const grid = narrow
    ? "grid-cols-[1fr_68px_1fr_24px] gap-x-2 gap-y-1 border-t border-line"
    : "grid-cols-[1fr_84px_76px_104px_110px_32px] max-sm:grid-cols-2 gap-3";
  return lines.map((line, index) => {
    const edit = (next: Partial<AskedLine>) =>
      onChange(lines.map((one, at) => (at === index ? { ...one, ...next } : one)));
    const amount = line.quantity > 0 ? price.lines[used.indexOf(line)]?.amount : undefined;
    return (
      <div
        key={index}
        className={`grid ${grid} items-start py-1 ${line.quantity > 0 ? "" : "text-ink-soft"}`}
      >
        <TextField
          label={name("What for", index)}
          hideLabel
          frame={narrow ? "col-span-3" : ""}
          value={line.words}
          maxLength={80}
          error={faultAt(`${index}.words`)}
          onChange={({ target }) => edit({ words: target.value })}
        />
        {narrow && <Out name={name("Out", index)} onOut={() => onChange(without(lines, index))} />}
        <QuantityField
          label={name("How much", index)}
          hideLabel
          value={line.quantity}
          dimension="number"
          system={system}
          bounds={{ min: 0, max: 1e5 }}
          fault={faultAt(`${index}.quantity`)}
          onChange={(quantity) => edit({ quantity })}
          bare
        />
        <UnitField label={name("By", index)} value={line.unit} onChange={(unit) => edit({ unit })} />
        <MoneyField
          label={name("Each", index)}
          hideLabel
          value={line.each}
          currency={rules.currency}
          fault={faultAt(`${index}.each`)}
          onChange={(each) => edit({ each })}
        />
        <span
          className={`figure text-right ${narrow ? "col-span-4 text-base leading-tight" : "text-lg pt-1"}`}
        >
          {amount === undefined ? "" : moneyText(amount, rules.currency)}
        </span>
        {!narrow && <Out name={name("Out", index)} onOut={() => onChange(without(lines, index))} />}
      </div>
    );
  });
}

const without = (lines: readonly AskedLine[], index: number): AskedLine[] =>
  lines.filter((_, at) => at !== index);

function Out({ name, onOut }: { name: string; onOut: () => void }) {
  return (
    <Button weight="quiet" className="min-h-8" aria-label={name} onClick={onOut}>
      out
    </Button>
  );
}

/** What rush, rounding and tax add below the lines that were typed. */
export function PriceFoot({
  lines,
  rules,
  taxName,
}: {
  lines: readonly AskedLine[];
  rules: PriceRules;
  taxName?: string;
}) {
  const used = lines.filter(({ quantity }) => quantity > 0);
  const price = priceOf(used, rules);
  const rows = price.lines.slice(used.length).map(({ words, amount }) => ({ words, amount }));
  if (taxName && rules.taxPct > 0) rows.push({ words: taxName, amount: price.tax });
  return (
    <dl className="ml-auto text-right">
      {rows.map(({ words, amount }) => (
        <div key={words} className="flex gap-6 justify-end">
          <dt className="label">{words}</dt>
          <dd className="figure w-28">{moneyText(amount, rules.currency)}</dd>
        </div>
      ))}
    </dl>
  );
}
