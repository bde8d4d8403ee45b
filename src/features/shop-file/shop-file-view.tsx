"use client";

import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import { callAct } from "@/contracts/call-act";
import {
  CHOICES_OF,
  takeFileIn,
  type CheckedFile,
  type ClashChoice,
  type Holds,
  type NamedKind,
  type Nightly,
  type TakenIn,
} from "@/contracts/shop-file";
import { Button } from "@/ui/button";
import { Choice } from "@/ui/choice";
import { fetchFile } from "@/ui/save-file";
import { useShopClock } from "@/ui/shop-clock";
import { useFileChooser } from "@/ui/use-file-chooser";
import { NightlyForm } from "./nightly-form";
import { sendFile } from "./send-file";

const HOLDS_WORDS: Record<Holds, string> = {
  shop: "A whole shop",
  job: "One job",
  recipe: "One recipe",
  resin: "One resin",
  colour: "One colour",
};
const KIND_HEADS: Record<NamedKind, string> = {
  resin: "Resins",
  colour: "Colours",
  recipe: "Recipes",
  job: "Jobs",
  "shelf item": "Things on the shelf",
};
const CHOICE_WORDS: Record<ClashChoice, string> = {
  ours: "take ours for it",
  both: "bring it in beside",
  out: "leave it out",
};

const countsText = (counts: CheckedFile["counts"]): string =>
  Object.entries(counts)
    .filter(([, many]) => many > 0)
    .map(([what, many]) => `${many} ${many === 1 ? what.replace(/s$/, "") : what}`)
    .join(", ");

type At =
  | { step: "idle"; problem: string | null }
  | { step: "sending"; name: string; share: number }
  | {
      step: "asked";
      checked: CheckedFile;
      choices: Record<string, ClashChoice>;
      problem: string | null;
      busy: boolean;
    }
  | { step: "taken"; taken: TakenIn };

/** All of the shop out as a file, and a file in: what is in it is told, and asked about, before anything is taken in. */
export function ShopFileView({ shopName, nightly }: { shopName: string; nightly: Nightly | null }) {
  const router = useRouter();
  const [at, setAt] = useState<At>({ step: "idle", problem: null });
  const calling = useRef<AbortController | null>(null);
  const send = async (file: File) => {
    const controller = new AbortController();
    calling.current = controller;
    setAt({ step: "sending", name: file.name, share: 0 });
    const result = await sendFile(
      file,
      (share) => setAt({ step: "sending", name: file.name, share }),
      controller.signal,
    );
    if (!result.ok) return setAt({ step: "idle", problem: result.error.message });
    const checked = result.value;
    const choices: Record<string, ClashChoice> = Object.fromEntries(
      checked.clashes.map(({ id, kind }) => [id, CHOICES_OF[kind].find((one) => one !== "both") ?? "both"]),
    );
    setAt({ step: "asked", checked, choices, problem: null, busy: false });
  };
  const chooser = useFileChooser({
    label: "A Gaugebeam file",
    accept: ".zip,application/zip",
    onFile: (file) => void send(file),
  });
  const take = async (asked: Extract<At, { step: "asked" }>) => {
    setAt({ ...asked, busy: true, problem: null });
    const result = await callAct(takeFileIn, { token: asked.checked.token, choices: asked.choices });
    if (!result.ok) return setAt({ ...asked, busy: false, problem: result.error.message });
    setAt({ step: "taken", taken: result.value });
    router.refresh();
  };
  return (
    <main className="px-7 max-sm:px-4 py-6 max-w-[1160px] grid grid-cols-2 gap-12 max-lg:grid-cols-1">
      <section aria-label="Out">
        <h1 className="heading text-2xl mb-2">The shop in a file</h1>
        <p className="max-w-prose mb-4">
          Everything of {shopName} in one zip: jobs with their versions, pours, recipes, cards, shelf, quotes,
          trials and pictures, as JSON that says what it is; log, shelf and money once more as tables. It can
          be read into an empty shop, which then is this one, or into another.
        </p>
        <Button weight="primary" className="min-h-11" onClick={() => void fetchFile("/shop/file/shop.zip")}>
          Save it all as a file
        </Button>
        <p className="label mt-3 max-w-prose">
          Passwords are not in it; names and addresses of your clients are. One job, one recipe or one card
          goes out the same way from its own page, without client and price.
        </p>
        {nightly && <NightlyForm nightly={nightly} />}
      </section>
      <section aria-label="In" className="border-l border-line pl-10 max-lg:border-l-0 max-lg:pl-0">
        <h2 className="heading text-2xl mb-2">A file in</h2>
        {chooser.input}
        {at.step === "idle" && (
          <>
            <p className="max-w-prose mb-4">
              First you are told what is in it. Nothing is taken in before you say so, and then whole or not
              at all.
            </p>
            <Button className="min-h-11" onClick={chooser.choose}>
              Choose a file
            </Button>
            {at.problem && (
              <p
                role="alert"
                className="border-l-2 border-danger text-danger pl-2 mt-4 max-w-prose break-words"
              >
                {at.problem}
              </p>
            )}
          </>
        )}
        {at.step === "sending" && (
          <div role="status">
            <p className="mb-2">
              {at.share < 1 ? `${at.name} is on its way` : `${at.name} is being read through`}
            </p>
            <div className="h-3 border border-ink mb-4">
              <div className="h-full bg-ink" style={{ width: `${Math.round(at.share * 100)}%` }} />
            </div>
            <Button onClick={() => calling.current?.abort()}>Call it off</Button>
          </div>
        )}
        {at.step === "asked" && (
          <Asked
            asked={at}
            onChoose={(choices) => setAt({ ...at, choices: { ...at.choices, ...choices } })}
            onTake={() => void take(at)}
            onLeave={() => setAt({ step: "idle", problem: null })}
          />
        )}
        {at.step === "taken" && (
          <div role="status">
            <p className="heading text-xl mb-2">
              It is here: {countsText(at.taken.counts) || "nothing new"}.
            </p>
            {at.taken.newNumbers.map((words) => (
              <p key={words} className="text-sm">
                Its number was taken: {words}.
              </p>
            ))}
            {at.taken.withoutPassword.length > 0 && (
              <p className="border-l-[3px] border-ink pl-3 mt-3">
                {at.taken.withoutPassword.join(", ")} cannot sign in yet: give each a password under Shop.
              </p>
            )}
            <Button className="mt-4" onClick={() => setAt({ step: "idle", problem: null })}>
              Another file
            </Button>
          </div>
        )}
      </section>
    </main>
  );
}

function Asked({
  asked: { checked, choices, problem, busy },
  onChoose,
  onTake,
  onLeave,
}: {
  asked: Extract<At, { step: "asked" }>;
  onChoose: (choices: Record<string, ClashChoice>) => void;
  onTake: () => void;
  onLeave: () => void;
}) {
  const { say } = useShopClock();
  const { manifest, counts, clashes, becomesTheShop } = checked;
  const kinds = [...new Set(clashes.map(({ kind }) => kind))];
  return (
    <div>
      <p className="heading text-xl">
        {HOLDS_WORDS[manifest.holds]}: {manifest.name}
      </p>
      <p className="label mb-2">written {say(manifest.exportedAt, "d MMM yyyy HH:mm")}</p>
      <p className="max-w-prose">{countsText(counts)}.</p>
      {manifest.unreadable > 0 && (
        <p className="text-sm mt-1">
          {manifest.unreadable} things could not be read when it was written, and are not brought in.
        </p>
      )}
      {becomesTheShop && (
        <p className="border-l-[3px] border-ink pl-3 mt-3 max-w-prose">
          This shop has nothing of its own yet: it becomes the shop of the file. The cards that it began with
          make room.
        </p>
      )}
      {problem && (
        <p role="alert" className="border-l-2 border-danger text-danger pl-2 mt-4">
          {problem}
        </p>
      )}
      <div className="flex gap-3 mt-5">
        <Button weight="primary" className="min-h-11" disabled={busy} onClick={onTake}>
          {busy ? "Taking it in …" : "Take it in"}
        </Button>
        <Button className="min-h-11" disabled={busy} onClick={onLeave}>
          Leave it
        </Button>
      </div>
      {kinds.map((kind) => {
        const own = clashes.filter((clash) => clash.kind === kind);
        const options = CHOICES_OF[kind].map((value) => ({ value, words: CHOICE_WORDS[value] }));
        return (
          <section key={kind} aria-label={KIND_HEADS[kind]} className="mt-5">
            <div className="flex items-baseline gap-4 border-b border-ink pb-1 flex-wrap">
              <h3 className="heading mr-auto">{KIND_HEADS[kind]} that are here by name</h3>
              {own.length > 1 && (
                <Choice
                  label={`All: ${KIND_HEADS[kind]}`}
                  value={
                    own.every(({ id }) => choices[id] === choices[own[0]?.id ?? ""])
                      ? (choices[own[0]?.id ?? ""] ?? "")
                      : ""
                  }
                  options={options.map(({ value, words }) => ({ value, words: `all: ${words}` }))}
                  onChange={(value) =>
                    onChoose(Object.fromEntries(own.map(({ id }) => [id, value as ClashChoice])))
                  }
                />
              )}
            </div>
            {own.map(({ id, name }) => (
              <div key={id} className="flex items-center gap-4 border-b border-line py-1.5 flex-wrap">
                <span className="mr-auto">{name}</span>
                <Choice
                  label={name}
                  value={choices[id] ?? "both"}
                  options={options}
                  onChange={(choice) => onChoose({ [id]: choice })}
                />
              </div>
            ))}
          </section>
        );
      })}
    </div>
  );
}
