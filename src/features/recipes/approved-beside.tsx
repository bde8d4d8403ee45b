"use client";

import { useEffect, useState } from "react";
import { callAct } from "@/contracts/call-act";
import { openRecipe, openRecipeVersion, type SampleBoard } from "@/contracts/recipes";
import { Button } from "@/ui/button";
import { ShopPicture } from "@/ui/shop-picture";
import { ApprovedPictures } from "./approved-pictures";

/** What was approved of a version, to be held beside a piece: its boards with their pictures, and pictures of the rehearsal. */
export function ApprovedBeside({
  versionId,
  onRead,
}: {
  versionId: string;
  /** The photo of a board is to be read. */
  onRead: (board: { pictureId: string; name: string }) => void;
}) {
  const [boards, setBoards] = useState<readonly SampleBoard[]>([]);
  useEffect(() => {
    let wanted = true;
    const find = async () => {
      const version = await callAct(openRecipeVersion, { versionId });
      if (!version.ok) return;
      const recipe = await callAct(openRecipe, { recipeId: version.value.recipeId });
      if (wanted && recipe.ok)
        setBoards(
          recipe.value.boards.filter(
            (board) => board.versionId === versionId && board.decision === "approved",
          ),
        );
    };
    void find();
    return () => {
      wanted = false;
    };
  }, [versionId]);
  return (
    <>
      {boards.length > 0 && (
        <section aria-label="Approved boards" className="mt-6">
          <h3 className="heading border-b border-ink pb-1 mb-3">The board that was approved</h3>
          <ul className="flex flex-wrap gap-5">
            {boards.map(({ id, number, pictureId, result, clientWord }) => (
              <li key={id} className="w-60">
                {pictureId && (
                  <a
                    href={`/pictures/${pictureId}`}
                    target="_blank"
                    rel="noreferrer"
                    className="block h-40 border border-line-strong"
                  >
                    <ShopPicture
                      pictureId={pictureId}
                      alt={`Board ${number}`}
                      small
                      className="size-full object-contain bg-white"
                    />
                  </a>
                )}
                <span className="text-sm">Board {number}</span>
                <span className="label block">{[result, clientWord].filter(Boolean).join(" ")}</span>
                {pictureId && (
                  <Button
                    className="min-h-11 mt-2"
                    onClick={() => onRead({ pictureId, name: `Board ${number}` })}
                  >
                    Read its shares
                  </Button>
                )}
              </li>
            ))}
          </ul>
        </section>
      )}
      <ApprovedPictures versionId={versionId} />
    </>
  );
}
