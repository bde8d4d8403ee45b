"use client";

import { useMemo, useState } from "react";
import { COLOUR_KIND_WORDS, type ColourKind } from "@/core/colour/colour-card";
import { findColours } from "@/core/colour/find-colour";
import { labOfHex, type Lab } from "@/core/colour/spaces";
import { COLOURANTS } from "@/core/colour/starter-colours";
import { colourFromCard } from "@/core/plan/shelf-colour";
import type { Coat } from "@/core/schedule/coat";
import { TextField } from "@/ui/text-field";
import { useJob } from "../workspace/use-job";

/** So many are shown; more words find fewer. */
const MOST = 6;

type Found = { key: string; name: string; kind?: ColourKind; hex: string; lab: Lab };

/** Colours of the shelf and the usual ones, found by name, form and hue; a press, or Enter for the first, adds one. */
export function ColourFinder({ coat, onAdd }: { coat: Coat; onAdd: (chosen: string) => void }) {
  const { plan, colours: shelf } = useJob();
  const [query, setQuery] = useState("");
  const looking = query.trim() !== "";
  const under = plan.looks.coats.find((looks) => looks.coat.id === coat.id)?.under;
  const all = useMemo((): Found[] => {
    if (!looking || !under) return [];
    const film = { filmMm: coat.filmMm, under };
    const onShelf = shelf.map((card) => {
      const { hex } = colourFromCard(card, card.id, 1, film);
      return { key: card.id, name: card.name, kind: card.kind, hex, lab: labOfHex(hex) };
    });
    const usual = COLOURANTS.map(({ name, hex }) => ({ key: name, name, hex, lab: labOfHex(hex) }));
    return [...onShelf, ...usual];
  }, [looking, under, shelf, coat.filmMm]);
  const found = findColours(all, query);
  const take = (key: string) => {
    onAdd(key);
    setQuery("");
  };
  return (
    <form
      className="mb-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (found[0]) take(found[0].key);
      }}
    >
      <TextField
        label="Find a colour"
        placeholder="blue mica"
        type="search"
        value={query}
        maxLength={60}
        autoComplete="off"
        onChange={(event) => setQuery(event.target.value)}
      />
      {looking && (
        <ul aria-label="Found colours" className="border border-line-strong border-t-0 bg-paper">
          {found.slice(0, MOST).map(({ key, name, kind, hex }) => (
            <li key={key}>
              <button
                type="button"
                onClick={() => take(key)}
                className="w-full flex items-center gap-2.5 px-2 py-1 text-left hover:bg-shade"
              >
                <span className="w-5 h-5 border border-ink shrink-0" style={{ background: hex }} />
                <span className="flex-1 truncate">{name}</span>
                <span className="label">{kind ? COLOUR_KIND_WORDS[kind] : "usual"}</span>
              </button>
            </li>
          ))}
          <li className="label px-2 py-1" role="status">
            {found.length === 0
              ? "None is called or looks so."
              : found.length > MOST
                ? `${found.length - MOST} more: another word finds fewer`
                : "Enter takes the first"}
          </li>
        </ul>
      )}
    </form>
  );
}
