"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import {
  DECISION_WORDS,
  type BoardFields,
  type OpenRecipe,
  type RecipeVersion,
  type SampleBoard,
} from "@/contracts/recipes";
import { closeness } from "@/core/colour/ciede2000";
import type { ColourCard } from "@/core/colour/colour-card";
import { hexOfLab } from "@/core/colour/spaces";
import type { ResinCard } from "@/core/cure/resin-card";
import { DIFFERENCE_BASIS, differenceFinished } from "@/core/plan/colour-plan";
import { usualBoardMm } from "@/core/recipe/recipe";
import { recipeChanges } from "@/core/recipe/recipe-changes";
import type { UnitSystem } from "@/core/units/dimension";
import { decimal } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { fetchFile } from "@/ui/save-file";
import { ShopPicture } from "@/ui/shop-picture";
import { SelectField } from "@/ui/text-field";
import { ApprovedPictures } from "./approved-pictures";
import { BoardDialog } from "./board-dialog";
import { recipeLook } from "./recipe-look";
import { SampleBoards } from "./sample-boards";
import { StartJobDialog } from "./start-job-dialog";
import { VersionCoats } from "./version-coats";
import { useShopClock } from "@/ui/shop-clock";

type Open =
  | null
  | { what: "board"; board: SampleBoard | null; today: string }
  | { what: "job"; board: SampleBoard | null; asBoard: boolean };

/** One version: what changed, how it looks beside the target, its coats, its boards, the jobs made of it. */
export function VersionView({
  recipe,
  version,
  colours,
  resins,
  system,
  onBeside,
}: {
  recipe: OpenRecipe;
  version: RecipeVersion;
  colours: readonly ColourCard[];
  resins: readonly ResinCard[];
  system: UnitSystem;
  onBeside: (versionId: string) => void;
}) {
  const router = useRouter();
  const { say } = useShopClock();
  const [open, setOpen] = useState<Open>(null);
  const look = useMemo(() => recipeLook(version.document, colours), [version, colours]);
  const target = version.document.target ?? null;
  const boards = recipe.boards.filter(({ versionId }) => versionId === version.id);
  const close = () => setOpen(null);
  const openBoard = (board: SampleBoard | null) =>
    setOpen({ what: "board", board, today: say(Date.now(), "yyyy-MM-dd") });
  const blank = (pouredOn: string): BoardFields => ({
    pouredOn,
    lengthMm: usualBoardMm(system),
    depthMm: usualBoardMm(system),
    pictureId: null,
    measured: null,
    result: "",
    clientWord: "",
    decision: "open",
  });

  return (
    <>
      <div className="flex items-start gap-6 flex-wrap">
        <WhatChanged recipe={recipe} version={version} system={system} />
        <div className="flex gap-3 items-center">
          {recipe.versions.length > 1 && (
            <SelectField
              label="Set beside it"
              value=""
              onChange={(event) => onBeside(event.target.value)}
              frame="w-36"
            >
              <option value="">a version</option>
              {recipe.versions
                .filter(({ id }) => id !== version.id)
                .map(({ id, number }) => (
                  <option key={id} value={id}>
                    version {number}
                  </option>
                ))}
            </SelectField>
          )}
          <Button
            weight="primary"
            className="mt-5"
            onClick={() => setOpen({ what: "job", board: null, asBoard: false })}
          >
            Make a job
          </Button>
        </div>
      </div>
      <div className="flex gap-6 items-center mt-4 mb-4 flex-wrap">
        <BesideTarget number={version.number} look={look} target={target} />
        <BoardGlance
          board={boards.find(({ decision }) => decision === "approved") ?? boards[0]}
          onOpen={openBoard}
        />
      </div>
      <VersionCoats coats={look.looks.coats} resins={resins} system={system} />
      <div className="flex items-baseline justify-between border-b border-ink pb-1 mt-6 gap-4 flex-wrap">
        <h3 className="heading">Sample boards</h3>
        <span className="flex gap-5">
          <Button weight="quiet" onClick={() => setOpen({ what: "job", board: null, asBoard: true })}>
            plan a board to pour
          </Button>
          <Button weight="quiet" onClick={() => openBoard(null)}>
            keep a board that was poured
          </Button>
        </span>
      </div>
      {boards.length === 0 && (
        <p className="text-ink-soft pt-3">
          No board of this version. What the screen foretells is proved on a board, in daylight.
        </p>
      )}
      <SampleBoards
        boards={boards}
        foretold={look.average.lab}
        target={target}
        system={system}
        onOpen={openBoard}
        onJob={(board) => setOpen({ what: "job", board, asBoard: false })}
      />
      <ApprovedPictures versionId={version.id} />
      <JobsOf recipe={recipe} version={version} />
      {open?.what === "board" && (
        <BoardDialog
          versionId={version.id}
          board={open.board}
          start={open.board ?? blank(open.today)}
          foretold={look.average.lab}
          target={target}
          system={system}
          onClose={close}
          onSaved={() => {
            close();
            router.refresh();
          }}
        />
      )}
      {open?.what === "job" && (
        <StartJobDialog
          recipeName={recipe.name}
          version={version}
          board={open.board}
          asBoard={open.asBoard}
          resins={resins}
          system={system}
          onClose={close}
        />
      )}
    </>
  );
}

const MOST_LINES = 5;

/** The words that were given, and what differs from the version it was made from, as the program sees it. */
function WhatChanged({
  recipe,
  version,
  system,
}: {
  recipe: OpenRecipe;
  version: RecipeVersion;
  system: UnitSystem;
}) {
  const { say } = useShopClock();
  const parent = recipe.versions.find(({ id }) => id === version.parentId);
  const lines = parent ? recipeChanges(parent.document, version.document, system) : [];
  return (
    <div className="min-w-0 flex-1 basis-60">
      <h2 className="heading text-xl">Version {version.number}</h2>
      <p className="label">
        {version.madeBy}, {say(version.madeAt, "d MMM yyyy")}
        {parent && `, from version ${parent.number}`}
      </p>
      <p className="mt-1.5">{version.change}</p>
      {parent && lines.length === 0 && <p className="label mt-1">The same as the version before.</p>}
      {lines.length > 0 && (
        <ul aria-label="What changed" className="label mt-1">
          {lines.slice(0, MOST_LINES).map((line) => (
            <li key={line}>{line}</li>
          ))}
          {lines.length > MOST_LINES && <li>and {lines.length - MOST_LINES} more</li>}
        </ul>
      )}
    </div>
  );
}

/** The pattern from some steps back, edge to edge with the client's tile. */
function BesideTarget({
  number,
  look,
  target,
}: {
  number: number;
  look: ReturnType<typeof recipeLook>;
  target: RecipeVersion["document"]["target"] | null;
}) {
  const difference = target ? differenceFinished(look.looks, target.lab) : null;
  const tiles = [
    { label: `Version ${number} from some steps back`, hex: look.average.hex },
    ...(target ? [{ label: `Target ${target.name}`, hex: hexOfLab(target.lab) }] : []),
  ];
  return (
    <>
      <div className="flex border border-ink shrink-0">
        {tiles.map(({ label, hex }) => (
          <div key={label} role="img" aria-label={label} className="w-32 h-20" style={{ background: hex }} />
        ))}
      </div>
      <div className="flex-1 min-w-44">
        <div className="label">
          {target ? `From some steps back, beside ${target.name}` : "From some steps back, as foretold"}
        </div>
        {difference && (
          <>
            <div>
              <span className="label">ΔE00 </span>
              <span className="figure text-2xl">{decimal(difference.likely, 1)}</span>{" "}
              <span className="font-semibold">{closeness(difference.likely)}</span>
            </div>
            <div className="label">
              {decimal(difference.low, 1)} to {decimal(difference.high, 1)}, as strong as the cards leave it
              open; {DIFFERENCE_BASIS}
            </div>
          </>
        )}
      </div>
    </>
  );
}

/** The board that counts, beside what was foretold. */
function BoardGlance({
  board,
  onOpen,
}: {
  board: SampleBoard | undefined;
  onOpen: (board: SampleBoard) => void;
}) {
  if (!board) return null;
  return (
    <button
      type="button"
      onClick={() => onOpen(board)}
      className="flex items-center gap-3 text-left hover:underline underline-offset-4"
    >
      <span>
        <span className="font-semibold block">Board {board.number}</span>
        <span className="label">{DECISION_WORDS[board.decision]}</span>
      </span>
      {board.pictureId && (
        <ShopPicture
          pictureId={board.pictureId}
          alt=""
          small
          className="w-24 h-20 object-cover border border-ink"
        />
      )}
    </button>
  );
}

function JobsOf({ recipe, version }: { recipe: OpenRecipe; version: RecipeVersion }) {
  const jobs = recipe.jobs.filter(({ versionId }) => versionId === version.id);
  return (
    <>
      <div className="flex items-baseline justify-between border-b border-ink pb-1 mt-6">
        <h3 className="heading mr-auto">Jobs of this version</h3>
        <Button
          weight="quiet"
          className="mr-5"
          onClick={() => void fetchFile(`/recipes/${recipe.id}/recipe.zip`)}
        >
          the recipe with its boards as a file
        </Button>
        <a
          href={`/recipes/${recipe.id}/${version.id}/recipe.json`}
          className="underline underline-offset-4 decoration-line-strong text-sm"
        >
          this version as a file
        </a>
      </div>
      {jobs.length === 0 && <p className="text-ink-soft pt-3">None yet.</p>}
      {jobs.map((job) => (
        <Link
          key={job.jobId}
          prefetch={false}
          href={`/jobs/${job.jobId}/build`}
          className="block border-b border-line py-2 hover:underline underline-offset-4"
        >
          {job.name}
        </Link>
      ))}
      {jobs.length > 1 && (
        <p className="label mt-2">
          Pieces that must match are made of one version, in the same order and rate.
        </p>
      )}
    </>
  );
}
