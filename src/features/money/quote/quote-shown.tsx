"use client";

import { useState } from "react";
import { callAct } from "@/contracts/call-act";
import { tellQuote, type KeptQuote, type QuoteSaid } from "@/contracts/quotes";
import { moneyText } from "@/core/money/money";
import { quantityWords } from "@/core/money/price";
import { lookPrice, notCovered, quoteNumber, quoteState, type QuotedLook } from "@/core/money/quote";
import type { UnitSystem } from "@/core/units/dimension";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { fetchFile } from "@/ui/save-file";
import { useClockWords, useShopClock } from "@/ui/shop-clock";
import { ShopPicture } from "@/ui/shop-picture";
import { TextAreaField } from "@/ui/text-field";
import { LookColumns } from "./look-columns";
import type { OpenQuotes } from "./queries";
import { QUOTE_STATE_WORDS } from "./quote-words";

type Telling = { kind: QuoteSaid["kind"]; lookId: string | null; title: string; words: string };

/** A quote as it was given, what became of it, and what the plan is now that it does not cover. */
export function QuoteShown({
  kept,
  open,
  system,
}: {
  kept: KeptQuote;
  open: OpenQuotes;
  system: UnitSystem;
}) {
  const { quote, entries } = kept;
  const { looks } = quote;
  const { state, lookId } = quoteState(quote, entries, open.today);
  const { say } = useShopClock();
  const { dateText } = useClockWords();
  const [telling, setTelling] = useState<Telling | null>(null);
  const number = quoteNumber(kept);
  const pdf = (paper: "a4" | "letter") => () =>
    void fetchFile(`/jobs/${kept.jobId}/quote/${kept.id}/quote.pdf?paper=${paper}`);
  const papers: readonly ("a4" | "letter")[] = system === "us" ? ["letter", "a4"] : ["a4", "letter"];
  const tell = (kind: Telling["kind"], title: string) => setTelling({ kind, lookId: null, title, words: "" });
  const accept = ({ id, name }: QuotedLook) =>
    setTelling({ kind: "accepted", lookId: id, title: `${name} was ordered`, words: "" });
  const chosen = looks.find(({ id }) => id === lookId) ?? null;
  return (
    <article aria-label={`Quote ${number}`}>
      <div className="flex items-baseline gap-5 border-b border-ink pb-2 flex-wrap">
        <h1 className="figure text-4xl leading-none">{number}</h1>
        <p className="heading text-xl" role="status">
          {QUOTE_STATE_WORDS[state]}
          {chosen && looks.length > 1 && `: ${chosen.name}`}
        </p>
        <span className="label mr-auto">
          for {quote.client || quote.jobName}, stands until {dateText(quote.validUntil)}
        </span>
        {papers.map((paper, n) => (
          <Button key={paper} weight={n === 0 ? "primary" : "quiet"} onClick={pdf(paper)}>
            {paper === "a4" ? "PDF, A4" : "PDF, Letter"}
          </Button>
        ))}
      </div>
      {chosen && <NotCovered look={chosen} open={open} system={system} />}
      <LookColumns many={looks.length}>
        {looks.map((look) => (
          <section
            key={look.id}
            aria-label={look.name}
            className={`min-w-0 flex flex-col ${chosen && chosen !== look ? "text-ink-soft" : ""}`}
          >
            <div className="h-44 grid place-items-center mb-2">
              {look.pictureId && (
                <ShopPicture
                  pictureId={look.pictureId}
                  alt={look.name}
                  className="max-h-full max-w-full object-contain min-h-0"
                />
              )}
            </div>
            <h2 className="heading text-xl leading-tight">{look.name}</h2>
            {look.words && <p className="text-sm mt-1">{look.words}</p>}
            <LookLines look={look} kept={kept} />
            {state !== "accepted" && state !== "withdrawn" && (
              <Button className="mt-3 min-h-11 self-start" onClick={() => accept(look)}>
                {looks.length > 1 ? "This one was ordered" : "It was ordered"}
              </Button>
            )}
          </section>
        ))}
      </LookColumns>
      {quote.terms && (
        <section className="mt-6 max-w-prose">
          <h2 className="label">Terms</h2>
          <p className="text-sm whitespace-pre-line">{quote.terms}</p>
        </section>
      )}
      <section aria-label="What became of it" className="mt-6 border-t border-line pt-3">
        <div className="flex gap-4 flex-wrap items-baseline">
          <h2 className="heading text-lg mr-auto">What became of it</h2>
          {state !== "accepted" && (
            <Button weight="quiet" onClick={() => tell("sent", "It was sent")}>
              sent
            </Button>
          )}
          <Button weight="quiet" onClick={() => tell("declined", "The client does not want it")}>
            declined
          </Button>
          <Button weight="quiet" onClick={() => tell("withdrawn", "We take it back")}>
            taken back
          </Button>
        </div>
        <ul className="mt-1">
          {[...entries].reverse().map((entry) => (
            <li key={entry.id} className="border-t border-line py-1.5 flex gap-4 flex-wrap">
              <span className="font-semibold">{QUOTE_STATE_WORDS[entry.kind]}</span>
              {entry.kind === "accepted" && looks.length > 1 && (
                <span>{looks.find(({ id }) => id === entry.lookId)?.name}</span>
              )}
              <span>{entry.words}</span>
              <span className="label ml-auto">
                {say(entry.at, "d MMM yyyy HH:mm")}, {entry.by}
              </span>
            </li>
          ))}
          <li className="border-t border-line py-1.5 flex gap-4">
            <span className="font-semibold">written</span>
            <span className="label ml-auto">
              {say(kept.at, "d MMM yyyy HH:mm")}, {kept.by}
            </span>
          </li>
        </ul>
      </section>
      {telling && <TellDialog telling={telling} quoteId={kept.id} onClose={() => setTelling(null)} />}
    </article>
  );
}

function LookLines({ look, kept: { quote } }: { look: QuotedLook; kept: KeptQuote }) {
  const { rules, taxName } = quote;
  const price = lookPrice(rules, look);
  const money = (amount: number) => moneyText(amount, rules.currency);
  const rows = price.lines.map((line) => ({
    words: line.words,
    many: quantityWords(line, rules.currency),
    amount: line.amount,
  }));
  if (rules.taxPct > 0) rows.push({ words: taxName, many: `${rules.taxPct} %`, amount: price.tax });
  return (
    <dl className="mt-2">
      {rows.map(({ words, many, amount }, n) => (
        <div key={n} className="flex gap-4 items-baseline border-t border-line py-1">
          <dt>
            {words} {many && <span className="label">{many}</span>}
          </dt>
          <dd className="figure ml-auto">{money(amount)}</dd>
        </div>
      ))}
      <div className="flex items-baseline border-t-2 border-ink pt-1">
        <dt className="label">total</dt>
        <dd className="figure text-3xl leading-none ml-auto">{money(price.total)}</dd>
      </div>
    </dl>
  );
}

/** What is planned now that was not ordered, and what that does to the cost. */
function NotCovered({ look, open, system }: { look: QuotedLook; open: OpenQuotes; system: UnitSystem }) {
  const changes = notCovered(look.document, open.document, system);
  if (changes.length === 0) return <p className="label mt-2">The job is planned as it was ordered.</p>;
  const { rates, cost } = open;
  const money = (amount: number) => moneyText(Math.round(amount), rates.currency);
  return (
    <section aria-label="Not covered" className="border-l-[3px] border-danger pl-4 mt-3">
      <h2 className="heading text-lg">The plan was changed since: this the quote does not cover</h2>
      <p className="text-sm">
        It was reckoned to cost {money(look.cost.total.likely)}; as planned now it costs{" "}
        {money(cost.total.likely)}, {money(cost.total.low)} to {money(cost.total.high)}.
      </p>
      <ul className="mt-1">
        {changes.slice(0, MOST_TOLD).map(({ where, before, after }, n) => (
          <li key={n} className="text-sm">
            {where}: <s className="text-ink-soft">{before}</s> {after}
          </li>
        ))}
      </ul>
      {changes.length > MOST_TOLD && <p className="label">and {changes.length - MOST_TOLD} more</p>}
    </section>
  );
}
const MOST_TOLD = 8;

/** Says what became of a quote; accepted, it says first what that does. */
function TellDialog({
  telling,
  quoteId,
  onClose,
}: {
  telling: Telling;
  quoteId: string;
  onClose: () => void;
}) {
  const [id] = useState(() => crypto.randomUUID());
  const [words, setWords] = useState("");
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const { kind, lookId, title } = telling;
  const send = async () => {
    setBusy(true);
    const said: QuoteSaid = kind === "accepted" ? { kind, lookId: lookId ?? "", words } : { kind, words };
    const result = await callAct(tellQuote, { id, quoteId, said });
    setBusy(false);
    if (!result.ok) return setTrouble(result.error.message);
    // The job's plan may be another one now: all that is open of it is read anew.
    window.location.reload();
  };
  return (
    <Dialog open onClose={onClose} title={title}>
      <form
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          void send();
        }}
      >
        {kind === "accepted" && (
          <p>
            The job&apos;s plan becomes this look as it was quoted, and the job is approved. What is planned
            now stays one undo away.
          </p>
        )}
        <TextAreaField
          label="A word on it, if there is one"
          value={words}
          maxLength={400}
          rows={2}
          onChange={({ target }) => setWords(target.value)}
        />
        {trouble && (
          <p role="alert" className="text-danger">
            {trouble}
          </p>
        )}
        <div className="flex gap-3">
          <Button type="submit" weight="primary" className="min-h-11" disabled={busy}>
            Keep it
          </Button>
          <Button className="min-h-11" onClick={onClose}>
            Not yet
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
