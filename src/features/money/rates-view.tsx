"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { callAct } from "@/contracts/call-act";
import { ratesSchema, setRates } from "@/contracts/money";
import { USED_BY_WORDS, type Rates, type UsedBy } from "@/core/money/rates";
import type { UnitSystem } from "@/core/units/dimension";
import { Button } from "@/ui/button";
import { Choice } from "@/ui/choice";
import { CsvDialog } from "@/ui/csv-dialog";
import { FormProblem } from "@/ui/form-problem";
import { QuantityField } from "@/ui/quantity-field";
import { SelectField, TextAreaField, TextField } from "@/ui/text-field";
import { useKeptForm } from "@/ui/use-kept-form";
import { MoneyField } from "./money-field";
import { PRICE_LIST, priceRow, withPrices } from "./price-list-file";
import { UnitField } from "./unit-field";

const COMMON = [
  "USD",
  "CAD",
  "EUR",
  "GBP",
  "AUD",
  "NZD",
  "CHF",
  "SEK",
  "NOK",
  "DKK",
  "PLN",
  "JPY",
  "MXN",
  "BRL",
  "ZAR",
];

/** What the shop reckons with: hours, what work uses up, the price list, margin, tax and rounding. */
export function RatesView({
  rates,
  typed,
  canChange,
  system,
}: {
  rates: Rates;
  typed: boolean;
  canChange: boolean;
  system: UnitSystem;
}) {
  const router = useRouter();
  const form = useKeptForm<Rates>({
    key: "shop.rates",
    schema: ratesSchema,
    start: rates,
    send: async (fields) => {
      const result = await callAct(setRates, { fields });
      if (!result.ok) return result.error;
      router.refresh();
      return null;
    },
  });
  const { values, set, faultAt } = form;
  const [reading, setReading] = useState(false);
  const { currency } = values;
  const number = (
    field: "setUpMin" | "boardMin" | "boards" | "overheadPct" | "marginPct" | "taxPct",
    label: string,
    dimension: "minutes" | "number" | "percent",
    most: number,
  ) => (
    <QuantityField
      label={label}
      value={values[field]}
      dimension={dimension}
      system={system}
      bounds={{ min: 0, max: most }}
      fault={faultAt(field)}
      onChange={(value) => set({ [field]: value })}
      bare
    />
  );
  const money = (field: "hourly" | "disposalPerLitre" | "roundTo", label: string) => (
    <MoneyField
      label={label}
      value={values[field]}
      currency={currency}
      fault={faultAt(field)}
      onChange={(value) => set({ [field]: value })}
    />
  );
  const currencies = COMMON.includes(currency) ? COMMON : [currency, ...COMMON];
  const problem = form.problemBeside(...Object.keys(rates));
  return (
    <main className="px-7 max-sm:px-4 py-6 max-w-[1160px]">
      <h1 className="heading text-2xl">What we reckon with</h1>
      <p className="text-ink-soft mb-5 max-w-prose">
        {typed
          ? "Every job's cost and price go by these."
          : "Nobody has typed the shop's own numbers yet: these are usual ones, to be typed over."}{" "}
        {!canChange && "Only an owner changes them."}
      </p>
      <form onSubmit={form.submit} noValidate>
        <fieldset disabled={!canChange} className="flex flex-col gap-8">
          <section aria-label="Hours and overhead">
            <h2 className="heading text-lg border-b border-ink pb-1 mb-3">Hours and overhead</h2>
            <div className="grid grid-cols-4 max-lg:grid-cols-2 gap-4">
              <SelectField
                label="Currency"
                value={currency}
                error={faultAt("currency")}
                onChange={({ target }) => set({ currency: target.value })}
              >
                {currencies.map((code) => (
                  <option key={code}>{code}</option>
                ))}
              </SelectField>
              {money("hourly", "An hour of one person")}
              {number("setUpMin", "Setting up and cleaning, a day", "minutes", 10_000)}
              {number("overheadPct", "Overhead on all else", "percent", 500)}
              {number("boards", "Sample boards for a job", "number", 99)}
              {number("boardMin", "Minutes for a board", "minutes", 10_000)}
              <QuantityField
                label="Mix for a board"
                value={values.boardMl}
                dimension="volume"
                system={system}
                bounds={{ min: 0, max: 1e5 }}
                fault={faultAt("boardMl")}
                onChange={(boardMl) => set({ boardMl })}
              />
              {money("disposalPerLitre", "Taken away, a litre of leftovers")}
            </div>
          </section>
          <section aria-label="What work uses up">
            <Head
              title="What work uses up"
              onAdd={() => set({ usedUp: [...values.usedUp, { words: "", by: "coat", many: 1, each: 0 }] })}
            />
            <Rows heads={["what", "so many", "counted", "each"]}>
              {values.usedUp.map((row, index) => {
                const edit = (next: Partial<typeof row>) =>
                  set({ usedUp: values.usedUp.map((one, at) => (at === index ? { ...one, ...next } : one)) });
                return (
                  <Row
                    key={index}
                    onOut={() => set({ usedUp: values.usedUp.filter((_, at) => at !== index) })}
                  >
                    <TextField
                      label={`What is used up, line ${index + 1}`}
                      hideLabel
                      value={row.words}
                      maxLength={60}
                      error={faultAt(`usedUp.${index}.words`)}
                      onChange={({ target }) => edit({ words: target.value })}
                    />
                    <QuantityField
                      label={`So many, line ${index + 1}`}
                      hideLabel
                      value={row.many}
                      dimension="number"
                      system={system}
                      bounds={{ min: 0, max: 10_000 }}
                      fault={faultAt(`usedUp.${index}.many`)}
                      onChange={(many) => edit({ many })}
                      bare
                    />
                    <SelectField
                      label={`Counted, line ${index + 1}`}
                      hideLabel
                      value={row.by}
                      onChange={({ target }) => edit({ by: target.value as UsedBy })}
                    >
                      {Object.entries(USED_BY_WORDS).map(([by, words]) => (
                        <option key={by} value={by}>
                          {words}
                        </option>
                      ))}
                    </SelectField>
                    <MoneyField
                      label={`Each, line ${index + 1}`}
                      hideLabel
                      value={row.each}
                      currency={currency}
                      fault={faultAt(`usedUp.${index}.each`)}
                      onChange={(each) => edit({ each })}
                    />
                  </Row>
                );
              })}
            </Rows>
          </section>
          <section aria-label="Price list">
            <Head
              title="Price list"
              onFile={() => setReading(true)}
              onAdd={() =>
                set({ list: [...values.list, { words: "", unit: system === "us" ? "ft2" : "m2", each: 0 }] })
              }
            />
            <Rows heads={["what for", "", "by", "each"]}>
              {values.list.map((row, index) => {
                const edit = (next: Partial<typeof row>) =>
                  set({ list: values.list.map((one, at) => (at === index ? { ...one, ...next } : one)) });
                return (
                  <Row key={index} onOut={() => set({ list: values.list.filter((_, at) => at !== index) })}>
                    <TextField
                      label={`What for, row ${index + 1}`}
                      hideLabel
                      frame="col-span-2"
                      value={row.words}
                      maxLength={80}
                      error={faultAt(`list.${index}.words`)}
                      onChange={({ target }) => edit({ words: target.value })}
                    />
                    <UnitField
                      label={`By, row ${index + 1}`}
                      value={row.unit}
                      onChange={(unit) => edit({ unit })}
                    />
                    <MoneyField
                      label={`Each, row ${index + 1}`}
                      hideLabel
                      value={row.each}
                      currency={currency}
                      fault={faultAt(`list.${index}.each`)}
                      onChange={(each) => edit({ each })}
                    />
                  </Row>
                );
              })}
            </Rows>
          </section>
          <section aria-label="Margin, tax, rounding">
            <h2 className="heading text-lg border-b border-ink pb-1 mb-3">Margin, tax, rounding</h2>
            <div className="grid grid-cols-4 max-lg:grid-cols-2 gap-4">
              {number("marginPct", "To stay of a price", "percent", 95)}
              {money("roundTo", "Round prices to")}
              <TextField
                label="The tax is called"
                value={values.taxName}
                maxLength={30}
                error={faultAt("taxName")}
                onChange={({ target }) => set({ taxName: target.value })}
              />
              {number("taxPct", "Its rate, %", "number", 100)}
              <div className="flex flex-col gap-1 col-span-2">
                <span className="label">It is rounded</span>
                <Choice
                  label="How tax is rounded"
                  value={values.taxBy}
                  options={[
                    { value: "total", words: "once, of the total" },
                    { value: "line", words: "line by line" },
                  ]}
                  onChange={(taxBy) => set({ taxBy })}
                  className="self-start"
                />
              </div>
            </div>
          </section>
          <section aria-label="Quotes">
            <h2 className="heading text-lg border-b border-ink pb-1 mb-3">Quotes</h2>
            <div className="grid grid-cols-[10rem_1fr] max-sm:grid-cols-1 gap-4 items-start">
              <QuantityField
                label="Days that a quote stands"
                value={values.validDays}
                dimension="number"
                system={system}
                bounds={{ min: 1, max: 730 }}
                fault={faultAt("validDays")}
                onChange={(validDays) => set({ validDays })}
                bare
              />
              <TextAreaField
                label="Terms beneath it"
                value={values.terms}
                maxLength={4000}
                rows={4}
                error={faultAt("terms")}
                onChange={({ target }) => set({ terms: target.value })}
              />
            </div>
          </section>
          {reading && (
            <CsvDialog
              title="A price list from a file"
              hint="What it is for, its unit (ft², m², ft, m, piece; nothing for a flat price) and the price. Rows of the list by the same name get the new price, the others stay; nothing is kept before you say so."
              columns={PRICE_LIST}
              read={(cells) => priceRow(cells, currency)}
              told={(rows) => `${rows.length} prices`}
              take={(rows) => {
                set({ list: withPrices(values.list, rows) });
                return Promise.resolve(null);
              }}
              onClose={() => setReading(false)}
            />
          )}
          <FormProblem words={problem} />
          {canChange && (
            <div className="flex gap-4 items-center">
              <Button type="submit" weight="primary" className="min-h-11" disabled={form.busy}>
                Keep
              </Button>
              {form.unsaved && (
                <Button weight="quiet" onClick={form.revert}>
                  back to what is kept
                </Button>
              )}
            </div>
          )}
        </fieldset>
      </form>
    </main>
  );
}

function Head({ title, onAdd, onFile }: { title: string; onAdd: () => void; onFile?: () => void }) {
  return (
    <div className="flex items-baseline border-b border-ink pb-1 mb-2">
      <h2 className="heading text-lg flex-1">{title}</h2>
      {onFile && (
        <Button weight="quiet" className="mr-5" onClick={onFile}>
          from a file
        </Button>
      )}
      <Button weight="quiet" onClick={onAdd}>
        add a line
      </Button>
    </div>
  );
}

const COLUMNS = "grid grid-cols-[2fr_90px_1.3fr_120px_40px] max-sm:grid-cols-2 gap-3 items-start";

function Rows({ heads, children }: { heads: readonly string[]; children: React.ReactNode }) {
  return (
    <div className="max-w-4xl">
      <div aria-hidden className={`${COLUMNS} label max-sm:hidden`}>
        {heads.map((head, index) => (
          <span key={index}>{head}</span>
        ))}
      </div>
      {children}
    </div>
  );
}

function Row({ onOut, children }: { onOut: () => void; children: React.ReactNode }) {
  return (
    <div className={`${COLUMNS} py-1`}>
      {children}
      <Button weight="quiet" className="min-h-8" onClick={onOut}>
        out
      </Button>
    </div>
  );
}
