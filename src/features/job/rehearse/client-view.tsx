"use client";

import { asFileName, cutText } from "@/core/units/cut-text";
import { useParams } from "next/navigation";
import { useEffect, useRef, useState } from "react";
import { addPicture } from "@/contracts/add-picture";
import { callAct } from "@/contracts/call-act";
import { approvePicture, listApproved, type ApprovedPicture } from "@/contracts/rehearsals";
import { USUAL_LIGHT } from "@/core/pattern/engine/lit";
import { closeness } from "@/core/colour/ciede2000";
import { DIFFERENCE_BASIS, differenceFinished } from "@/core/plan/colour-plan";
import { hexOfLab } from "@/core/colour/spaces";
import type { Measured } from "@/core/geometry/measure";
import { Button } from "@/ui/button";
import { saveFile } from "@/ui/save-file";
import { ShopPicture } from "@/ui/shop-picture";
import { useJob, useJobState } from "../workspace/use-job";
import { useJobFile } from "../workspace/use-job-file";
import { LitButton } from "./lit-button";
import { drawClientSheet } from "./client-sheet";
import { NothingToRehearse, RehearseHead } from "./rehearse-head";
import { useLit } from "@/pictures/use-lit";
import { usePicture } from "@/pictures/use-picture";
import { useRehearsedPiece } from "./use-rehearsed-piece";
import { useShopClock } from "@/ui/shop-clock";

const SHARP_PX = 1600;

const fileName = (name: string) => asFileName(name) || "piece";
const pngOf = (canvas: HTMLCanvasElement): Promise<Blob | null> =>
  new Promise((resolve) => canvas.toBlob(resolve, "image/png"));

/** More zones than these are told by their number. */
const MOST_ZONES_TOLD = 8;

/** "Leaf 13 % · Island 87 % of the top". */
function zonesLine({ zones }: Measured): string | null {
  if (zones.length === 0) return null;
  if (zones.length > MOST_ZONES_TOLD) return `Divided into ${zones.length} zones.`;
  const each = zones.map(({ name, share }) => `${name} ${Math.round(100 * share)} %`);
  return `${each.join(" · ")} of the top`;
}

/** The sheet for the client: the picture with its colours and the tile, as a file, to be approved, kept with the recipe. */
export function ClientView() {
  const { jobId } = useParams<{ jobId: string }>();
  const { document, plan } = useJob();
  const { say } = useShopClock();
  const title = useJobState((state) => state.job.name);
  const file = useJobFile();
  const { pieces, chosen, piece, of, choose } = useRehearsedPiece();
  const [lit] = useLit();
  const picture = usePicture(of, of?.passes.length ?? 0, SHARP_PX, { light: lit ? USUAL_LIGHT : null });
  const ref = useRef<HTMLCanvasElement>(null);
  const [today] = useState(() => say(Date.now(), "d MMMM yyyy"));
  const [trouble, setTrouble] = useState<string | null>(null);
  const [approved, setApproved] = useState<ApprovedPicture[]>([]);
  const [busy, setBusy] = useState(false);
  const { recipe, target } = document;
  const whole = picture?.measures?.whole ?? null;
  const seed = of?.rehearsal.seed ?? 1;
  const versionId = recipe?.versionId ?? null;
  useEffect(() => {
    if (versionId)
      void callAct(listApproved, { versionId }).then((result) => result.ok && setApproved(result.value));
  }, [versionId]);
  useEffect(() => {
    if (!ref.current || !picture || !piece || !of) return;
    const shown = of.palette.filter(({ poured }) => poured > 0);
    const off = target ? (differenceFinished(plan.looks, target.lab)?.likely ?? null) : null;
    drawClientSheet(ref.current, {
      title,
      piece,
      picture: picture.canvas,
      colours: shown.map(({ name, hex, poured }) => ({ name, hex, share: poured })),
      whole: plan.looks.finished.hex,
      target:
        target && off !== null
          ? {
              name: target.name,
              hex: hexOfLab([...target.lab]),
              words: `ΔE ${off.toFixed(1)}, ${DIFFERENCE_BASIS}: ${closeness(off)}`,
            }
          : null,
      foot: `Sister ${seed} · ${today}`,
      zones: zonesLine(piece),
    });
  }, [picture, piece, of, target, plan.looks, title, seed, today]);
  if (!piece || !of) return <NothingToRehearse />;
  const ready = picture?.sharp === true && picture.measured && whole !== null && !busy;
  const name = fileName(`${title} ${piece.name}`);
  /** Kept once with the shop's pictures; its id, or null with the reason shown. */
  const kept = async (): Promise<string | null> => {
    const png = ref.current && (await pngOf(ref.current));
    if (!png) return null;
    const result = await addPicture(new File([png], `${name}.png`, { type: "image/png" }));
    if (!result.ok) {
      setTrouble(result.error.message);
      return null;
    }
    return result.value.pictureId;
  };
  const working = async (work: () => Promise<void>) => {
    setBusy(true);
    setTrouble(null);
    await work();
    setBusy(false);
  };
  return (
    <main className="flex-1 min-h-0 overflow-y-auto px-7 pt-3 pb-5">
      <RehearseHead title={`${piece.name}, for the client`} pieces={pieces} chosen={chosen} choose={choose}>
        <LitButton />
        <Button
          disabled={!ready}
          onClick={() =>
            void working(async () => {
              const png = ref.current && (await pngOf(ref.current));
              if (png) saveFile(`${name}.png`, "image/png", png);
            })
          }
        >
          PNG
        </Button>
        <Button
          disabled={!ready}
          onClick={() =>
            void working(async () => {
              const pictureId = await kept();
              if (pictureId)
                await file(`/jobs/${jobId}/sheets/client.pdf?piece=${piece.id}&picture=${pictureId}`);
            })
          }
        >
          PDF to sign
        </Button>
        <Button
          weight="primary"
          disabled={!ready || !versionId}
          onClick={() =>
            void working(async () => {
              const pictureId = await kept();
              if (!pictureId || !versionId) return;
              const result = await callAct(approvePicture, {
                id: crypto.randomUUID(),
                versionId,
                pictureId,
                words: cutText(`${piece.name}, sister ${seed}`, 200),
              });
              if (!result.ok) return setTrouble(result.error.message);
              const list = await callAct(listApproved, { versionId });
              if (list.ok) setApproved(list.value);
            })
          }
        >
          Approved
        </Button>
      </RehearseHead>
      {trouble && (
        <p role="alert" className="text-danger mb-2">
          {trouble}
        </p>
      )}
      <div className="flex gap-7 max-lg:flex-col">
        <canvas
          ref={ref}
          role="img"
          aria-label={`Sheet for the client: ${piece.name}`}
          className="w-full max-w-[790px] border border-line-strong bg-white"
          style={{ aspectRatio: "1754 / 1240" }}
        />
        <div className="text-sm max-w-[34ch]">
          <p className="mb-3">
            What the client sees and signs. Choose the sister in The pour; the tile is the job&apos;s target
            in Colour.
          </p>
          {recipe ? (
            <>
              <h2 className="heading border-b border-line pb-1 mb-2">
                Approved of {recipe.name}, version {recipe.number}
              </h2>
              {approved.length === 0 && <p className="text-ink-soft">Nothing yet.</p>}
              <ul className="flex flex-col gap-3">
                {approved.slice(0, 6).map(({ id, pictureId, words, approvedAt, approvedBy }) => (
                  <li key={id} className="flex gap-3">
                    <span className="w-24 h-16 shrink-0 border border-line-strong">
                      <ShopPicture pictureId={pictureId} alt={words} small />
                    </span>
                    <span>
                      {words}
                      <span className="label block">
                        {say(approvedAt, "d MMM yyyy")}, kept by {approvedBy}
                      </span>
                    </span>
                  </li>
                ))}
              </ul>
            </>
          ) : (
            <p className="text-ink-soft">
              Keep the coats as a recipe in Build: then a picture that is approved stays with its version.
            </p>
          )}
        </div>
      </div>
    </main>
  );
}
