"use client";

import { useShopClock } from "./shop-clock";

/** Pours that this program cannot read any more, told by when and by whom they were begun; and how many more there are than are shown. */
export function LostPours({
  unreadable,
  more,
}: {
  unreadable: readonly { id: string; startedAt: string; startedBy: string }[];
  more: number;
}) {
  const { say } = useShopClock();
  return (
    <>
      {unreadable.map(({ id, startedAt, startedBy }) => (
        <p key={id} role="alert" className="border-l-2 border-danger text-danger pl-2 mb-3">
          The pour begun {say(startedAt, "d MMMM yyyy, HH:mm")} by {startedBy} cannot be read by this version
          of the program. It is kept as it is.
        </p>
      ))}
      {more > 0 && (
        <p className="label mb-3">
          {more} earlier {more === 1 ? "pour is" : "pours are"} kept and not shown here.
        </p>
      )}
    </>
  );
}
