"use client";

import { useRouter } from "next/navigation";
import { useCallback, useMemo, useRef, useState } from "react";
import { callAct } from "@/contracts/call-act";
import { makeQuote, quoteForm, type QuoteForm as Fields } from "@/contracts/quotes";
import { jobWithLook, lookFits } from "@/core/job/looks";
import { TECHNIQUE_IDS, TECHNIQUES, type TechniqueId } from "@/core/job/technique-list";
import { moneyText } from "@/core/money/money";
import { lookPrice, MOST_LOOKS, notCovered, type AskedLook } from "@/core/money/quote";
import { derivePlan } from "@/core/plan/derive-plan";
import { capital } from "@/core/units/cut-text";
import type { UnitSystem } from "@/core/units/dimension";
import { Button } from "@/ui/button";
import { FormProblem } from "@/ui/form-problem";
import { Menu, MenuItem } from "@/ui/menu";
import { QuantityField } from "@/ui/quantity-field";
import { TextAreaField, TextField } from "@/ui/text-field";
import { useKeptForm } from "@/ui/use-kept-form";
import { PriceFoot, PriceLines } from "../price-lines";
import { LookColumns } from "./look-columns";
import { LookPicture, type OnPicture } from "./look-picture";
import type { OpenQuotes } from "./queries";

/** The look that is the job's own plan. */
const AS_PLANNED = "as-planned";

const newId = () => crypto.randomUUID();

/** By look; what is not drawn yet is not there. */
type Pictures = Readonly<Record<string, Parameters<OnPicture>[1]>>;

/** A quote being written: up to three looks side by side, each with its picture and its lines. */
export function QuoteForm({ jobId, open, system }: { jobId: string; open: OpenQuotes; system: UnitSystem }) {
  const { document, cards, colours, rates } = open;
  const router = useRouter();
  const id = useRef("");
  const start = useMemo(
    (): Fields => ({
      looks: [
        {
          id: AS_PLANNED,
          name: "As planned",
          words: "",
          pictureId: null,
          lines: open.lines.filter(({ quantity }) => quantity > 0),
          rushPct: open.rushPct,
          document: open.document,
        },
      ],
      terms: open.rates.terms,
      validUntil: open.validUntil,
    }),
    [open],
  );
  const form = useKeptForm<Fields>({
    key: `quote.${jobId}`,
    schema: quoteForm,
    start,
    send: async (fields) => {
      id.current ||= crypto.randomUUID();
      const looks = fields.looks.map((look) => ({
        ...look,
        pictureId: pictures[look.id]?.pictureId ?? null,
      }));
      const result = await callAct(makeQuote, { id: id.current, jobId, fields: { ...fields, looks } });
      if (!result.ok) return result.error;
      router.push(`/jobs/${jobId}/quote?quote=${id.current}`);
      router.refresh();
      return null;
    },
  });
  const { values, set, faultAt } = form;
  // Drawn here and kept with the shop's pictures; what was written is not changed by it.
  const [pictures, setPictures] = useState<Pictures>({});
  const onPicture = useCallback<OnPicture>(
    (lookId, got) => setPictures((before) => ({ ...before, [lookId]: got })),
    [setPictures],
  );
  const edit = (lookId: string, next: Partial<AskedLook>) => {
    if (next.document) setPictures(({ [lookId]: _old, ...others }) => others);
    set({ looks: values.looks.map((look) => (look.id === lookId ? { ...look, ...next } : look)) });
  };
  const offered = useMemo(() => {
    const { pieces } = derivePlan(document, cards, colours);
    return TECHNIQUE_IDS.filter(
      (look) => pieces.some((piece) => lookFits(look, piece)) && jobWithLook(document, look, newId) !== null,
    );
  }, [document, cards, colours]);
  const add = (look: TechniqueId) => {
    const planned = jobWithLook(document, look, newId);
    const [first] = values.looks;
    if (!planned) return;
    set({
      looks: [
        ...values.looks,
        {
          id: newId(),
          name: TECHNIQUES[look].name,
          words: capital(TECHNIQUES[look].look),
          pictureId: null,
          lines: first?.lines ?? open.lines,
          rushPct: first?.rushPct ?? 0,
          document: planned,
        },
      ],
    });
  };
  const drawing = values.looks.some(({ id }) => pictures[id] === undefined);
  return (
    <form onSubmit={form.submit} noValidate className="flex flex-col gap-5">
      <div className="flex items-baseline gap-5 border-b border-ink pb-1 flex-wrap">
        <h1 className="heading text-2xl mr-auto">A quote for {open.client || open.name}</h1>
        {values.looks.length < MOST_LOOKS && offered.length > 0 && (
          <Menu label="another look beside it">
            {offered.map((look) => (
              <MenuItem key={look} onSelect={() => add(look)}>
                {TECHNIQUES[look].name}
              </MenuItem>
            ))}
          </Menu>
        )}
      </div>
      <LookColumns many={values.looks.length}>
        {values.looks.map((look, index) => (
          <Look
            key={look.id}
            look={look}
            open={open}
            system={system}
            picture={pictures[look.id]}
            faultAt={(path) => faultAt(`looks.${index}.${path}`)}
            onPicture={onPicture}
            onEdit={(next) => edit(look.id, next)}
            onOut={
              values.looks.length > 1
                ? () => set({ looks: values.looks.filter(({ id }) => id !== look.id) })
                : null
            }
          />
        ))}
      </LookColumns>
      <div className="grid grid-cols-[11rem_1fr] max-sm:grid-cols-1 gap-5 items-start border-t border-line pt-4">
        <TextField
          label="Stands until"
          type="date"
          value={values.validUntil}
          min={open.today}
          error={faultAt("validUntil")}
          onChange={({ target }) => set({ validUntil: target.value })}
        />
        <TextAreaField
          label="Terms"
          value={values.terms}
          maxLength={4000}
          rows={4}
          error={faultAt("terms")}
          onChange={({ target }) => set({ terms: target.value })}
        />
      </div>
      <FormProblem words={form.problemBeside("looks", "terms", "validUntil")} />
      <div className="flex gap-4 items-center flex-wrap">
        <Button type="submit" weight="primary" className="min-h-11" disabled={form.busy || drawing}>
          Give it a number
        </Button>
        {form.unsaved && (
          <Button weight="quiet" onClick={form.revert}>
            begin again
          </Button>
        )}
        <span className="label" role="status">
          {drawing
            ? "Its pictures are being drawn …"
            : `In ${rates.currency}. A quote that has a number stays as it is: for other words, another quote.`}
        </span>
      </div>
    </form>
  );
}

function Look({
  look,
  open: { document, cards, colours, rates },
  system,
  picture,
  faultAt,
  onPicture,
  onEdit,
  onOut,
}: {
  look: AskedLook;
  open: OpenQuotes;
  system: UnitSystem;
  picture: Pictures[string] | undefined;
  faultAt: (path: string) => string | null;
  onPicture: OnPicture;
  onEdit: (next: Partial<AskedLook>) => void;
  onOut: (() => void) | null;
}) {
  const rules = { ...rates, rushPct: look.rushPct };
  const price = lookPrice(rates, look);
  const stale = look.id === AS_PLANNED && notCovered(look.document, document, system).length > 0;
  return (
    <section aria-label={look.name || "A look"} className="min-w-0 flex flex-col gap-2">
      <LookPicture
        name={look.name}
        document={look.document}
        cards={cards}
        colours={colours}
        lookId={look.id}
        pictureId={picture?.pictureId ?? null}
        onPicture={onPicture}
      />
      {picture?.trouble && <p className="label">No picture: {picture.trouble}.</p>}
      {stale && (
        <p className="border-l-[3px] border-danger pl-3 text-sm">
          The plan was changed since this was written.{" "}
          <Button weight="quiet" onClick={() => onEdit({ document })}>
            take it as it is now
          </Button>
        </p>
      )}
      <div className="flex items-end gap-3">
        <TextField
          label="Its name"
          frame="flex-1"
          value={look.name}
          maxLength={60}
          error={faultAt("name")}
          onChange={({ target }) => onEdit({ name: target.value })}
        />
        {onOut && (
          <Button weight="quiet" className="min-h-8" aria-label={`${look.name} out`} onClick={onOut}>
            out
          </Button>
        )}
      </div>
      <TextAreaField
        label="What the client reads beneath it"
        value={look.words}
        maxLength={300}
        rows={2}
        error={faultAt("words")}
        onChange={({ target }) => onEdit({ words: target.value })}
      />
      <div className="flex items-baseline gap-4 mt-2 border-b border-ink">
        <h2 className="heading text-lg mr-auto whitespace-nowrap">Asked</h2>
        <Menu label="from the list">
          {rates.list.map((row, index) => (
            <MenuItem
              key={index}
              onSelect={() => onEdit({ lines: [...look.lines, { ...row, quantity: 1 }] })}
            >
              {row.words}
            </MenuItem>
          ))}
        </Menu>
        <Button
          weight="quiet"
          className="whitespace-nowrap"
          onClick={() =>
            onEdit({ lines: [...look.lines, { words: "", quantity: 1, unit: "flat", each: 0 }] })
          }
        >
          add a line
        </Button>
      </div>
      <PriceLines
        lines={look.lines}
        rules={rules}
        system={system}
        narrow
        of={look.name}
        faultAt={(path) => faultAt(`lines.${path}`)}
        onChange={(lines) => onEdit({ lines })}
      />
      {price.total === 0 && <FormProblem words={faultAt("lines")} />}
      <div className="flex items-end gap-3 border-t border-line pt-2">
        <QuantityField
          label="Rush"
          value={look.rushPct}
          dimension="percent"
          system={system}
          bounds={{ min: 0, max: 300 }}
          fault={faultAt("rushPct")}
          className="w-20"
          onChange={(rushPct) => onEdit({ rushPct })}
          bare
        />
        <PriceFoot lines={look.lines} rules={rules} taxName={rates.taxName} />
      </div>
      <div className="flex items-baseline justify-between border-t-2 border-ink pt-1">
        <span className="label">total</span>
        <span className="figure text-3xl leading-none">{moneyText(price.total, rates.currency)}</span>
      </div>
    </section>
  );
}
