"use client";

import { format, parseISO } from "date-fns";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { callAct } from "@/contracts/call-act";
import {
  DECISION_WORDS,
  removeRecipe,
  renameRecipe,
  type BoardFields,
  type OpenRecipe,
  type SampleBoard,
} from "@/contracts/recipes";
import type { ColourCard } from "@/core/colour/colour-card";
import { hexOfLab } from "@/core/colour/spaces";
import { closeness } from "@/core/colour/ciede2000";
import type { ResinCard } from "@/core/cure/resin-card";
import { usualBoardMm } from "@/core/plan/recipe";
import { differenceFrom } from "@/core/plan/colour-plan";
import { recipeChanges } from "@/core/plan/recipe-changes";
import type { UnitSystem } from "@/core/units/dimension";
import { decimal } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { Menu, MenuItem } from "@/ui/menu";
import { SelectField, TextField } from "@/ui/text-field";
import { BoardDialog } from "./board-dialog";
import { CompareVersions } from "./compare-versions";
import { recipeLook } from "./recipe-look";
import { SampleBoards } from "./sample-boards";
import { StartJobDialog } from "./start-job-dialog";
import { VersionCoats } from "./version-coats";
import { VersionTree } from "./version-tree";

type Open =
  | null
  | { what: "board"; board: SampleBoard | null; today: string }
  | { what: "job"; board: SampleBoard | null; asBoard: boolean }
  | { what: "name" };

/** One recipe: the tree of its versions, the version picked with its coats and boards, or two versions side by side. */
export function RecipeView({
  recipe,
  colours,
  resins,
  system,
  canRemove,
}: {
  recipe: OpenRecipe;
  colours: ColourCard[];
  resins: ResinCard[];
  system: UnitSystem;
  canRemove: boolean;
}) {
  const router = useRouter();
  const newest = recipe.versions.at(-1);
  const [pickedId, setPickedId] = useState(newest?.id ?? "");
  const [besideId, setBesideId] = useState<string | null>(null);
  const [open, setOpen] = useState<Open>(null);
  const version = recipe.versions.find(({ id }) => id === pickedId) ?? newest;
  const beside = recipe.versions.find(({ id }) => id === besideId);
  const look = useMemo(() => version && recipeLook(version.document, colours), [version, colours]);
  if (!version || !look) return null;
  const parent = recipe.versions.find(({ id }) => id === version.parentId);
  const target = version.document.target ?? null;
  const foretold = look.average.lab;
  const difference = target && look.pattern ? differenceFrom(look.pattern, target.lab) : null;
  const boards = recipe.boards.filter(({ versionId }) => versionId === version.id);
  const jobs = recipe.jobs.filter(({ versionId }) => versionId === version.id);
  const shownBoard = boards.find(({ decision }) => decision === "approved") ?? boards[0];
  const close = () => setOpen(null);
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
  const openBoard = (board: SampleBoard | null) =>
    setOpen({ what: "board", board, today: format(new Date(), "yyyy-MM-dd") });

  return (
    <main className="flex-1 flex min-h-0 max-lg:flex-col">
      <section
        aria-label="Recipe"
        className="w-[400px] max-lg:w-full shrink-0 border-r border-line px-7 pt-5 pb-8 overflow-y-auto"
      >
        <div className="flex items-baseline justify-between gap-3 mb-4">
          <h1 className="heading text-2xl min-w-0">{recipe.name}</h1>
          <Menu label="more">
            <MenuItem onSelect={() => setOpen({ what: "name" })}>Rename</MenuItem>
            {canRemove && (
              <MenuItem
                danger
                onSelect={async () => {
                  const result = await callAct(removeRecipe, { recipeId: recipe.id });
                  if (result.ok) router.push("/recipes");
                }}
              >
                Take it off the list
              </MenuItem>
            )}
          </Menu>
        </div>
        <VersionTree
          versions={recipe.versions}
          boards={recipe.boards}
          pickedId={version.id}
          besideId={besideId}
          onPick={setPickedId}
        />
      </section>
      <section aria-label="Version" className="flex-1 min-w-0 px-7 pt-5 pb-8 overflow-y-auto">
        {beside && beside.id !== version.id ? (
          <CompareVersions
            left={beside}
            right={version}
            colours={colours}
            resins={resins}
            system={system}
            onClose={() => setBesideId(null)}
          />
        ) : (
          <>
            <div className="flex items-start gap-6 flex-wrap">
              <div className="min-w-0 flex-1 basis-60">
                <h2 className="heading text-xl">Version {version.number}</h2>
                <p className="label">
                  {version.madeBy}, {format(parseISO(version.madeAt), "d MMM yyyy")}
                  {parent && `, from version ${parent.number}`}
                </p>
                <p className="mt-1.5">{version.change}</p>
                {parent && <Changed lines={recipeChanges(parent.document, version.document, system)} />}
              </div>
              <div className="flex gap-3 items-center">
                {recipe.versions.length > 1 && (
                  <SelectField
                    label="Set beside it"
                    value=""
                    onChange={(event) => setBesideId(event.target.value)}
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
              <div className="flex border border-ink shrink-0">
                <div
                  role="img"
                  aria-label={`Version ${version.number} from some steps back`}
                  className="w-32 h-20"
                  style={{ background: look.average.hex }}
                />
                {target && (
                  <div
                    role="img"
                    aria-label={`Target ${target.name}`}
                    className="w-32 h-20"
                    style={{ background: hexOfLab(target.lab) }}
                  />
                )}
              </div>
              <div className="flex-1 min-w-44">
                <div className="label">
                  {target
                    ? `From some steps back, beside ${target.name}`
                    : "From some steps back, as foretold"}
                </div>
                {difference && (
                  <>
                    <div>
                      <span className="label">ΔE00 </span>
                      <span className="figure text-2xl">{decimal(difference.likely, 1)}</span>{" "}
                      <span className="font-semibold">{closeness(difference.likely)}</span>
                    </div>
                    <div className="label">
                      {decimal(difference.low, 1)} to {decimal(difference.high, 1)}, as strong as the cards
                      leave it open
                    </div>
                  </>
                )}
              </div>
              {shownBoard && (
                <button
                  type="button"
                  onClick={() => openBoard(shownBoard)}
                  className="flex items-center gap-3 text-left hover:underline underline-offset-4"
                >
                  <span>
                    <span className="font-semibold block">Board {shownBoard.number}</span>
                    <span className="label">{DECISION_WORDS[shownBoard.decision]}</span>
                  </span>
                  {shownBoard.pictureId && (
                    // eslint-disable-next-line @next/next/no-img-element -- a shop's own picture, behind its sign-in
                    <img
                      src={`/pictures/${shownBoard.pictureId}/small`}
                      alt=""
                      className="w-24 h-20 object-cover border border-ink"
                    />
                  )}
                </button>
              )}
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
              foretold={foretold}
              target={target}
              system={system}
              onOpen={openBoard}
              onJob={(board) => setOpen({ what: "job", board, asBoard: false })}
            />
            <div className="flex items-baseline justify-between border-b border-ink pb-1 mt-6">
              <h3 className="heading">Jobs of this version</h3>
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
        )}
      </section>
      {open?.what === "board" && (
        <BoardDialog
          versionId={version.id}
          board={open.board}
          start={open.board ?? blank(open.today)}
          foretold={foretold}
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
      {open?.what === "name" && (
        <Rename
          recipe={recipe}
          onClose={close}
          onSaved={() => {
            close();
            router.refresh();
          }}
        />
      )}
    </main>
  );
}

const MOST_LINES = 5;

/** What differs from the version it was made from, as the program sees it. */
function Changed({ lines }: { lines: readonly string[] }) {
  if (lines.length === 0) return <p className="label mt-1">The same as the version before.</p>;
  return (
    <ul aria-label="What changed" className="label mt-1">
      {lines.slice(0, MOST_LINES).map((line) => (
        <li key={line}>{line}</li>
      ))}
      {lines.length > MOST_LINES && <li>and {lines.length - MOST_LINES} more</li>}
    </ul>
  );
}

function Rename({
  recipe,
  onClose,
  onSaved,
}: {
  recipe: OpenRecipe;
  onClose: () => void;
  onSaved: () => void;
}) {
  const [name, setName] = useState(recipe.name);
  const [error, setError] = useState<string | null>(null);
  return (
    <Dialog open onClose={onClose} title="Rename the recipe">
      <form
        method="post"
        onSubmit={async (event) => {
          event.preventDefault();
          const result = await callAct(renameRecipe, { recipeId: recipe.id, name });
          if (result.ok) onSaved();
          else setError(result.error.message);
        }}
      >
        <TextField
          label="Name"
          autoFocus
          value={name}
          maxLength={80}
          error={error}
          onChange={(event) => setName(event.target.value)}
        />
        <Button type="submit" weight="primary" className="mt-4">
          Save
        </Button>
      </form>
    </Dialog>
  );
}
