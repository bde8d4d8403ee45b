"use client";

import { useRouter } from "next/navigation";
import { callAct } from "@/contracts/call-act";
import { setUnits, signOut, type Person } from "@/contracts/people";
import { Choice } from "@/ui/choice";
import { Menu, MenuItem } from "@/ui/menu";

/** Which system one reads first, and the way out. */
export function PersonMenu({ person }: { person: Person }) {
  const router = useRouter();
  return (
    <div className="flex items-center gap-4 label">
      <Choice
        label="Unit system shown first"
        value={person.units}
        options={[
          { value: "us", words: "in · fl oz" },
          { value: "metric", words: "mm · ml" },
        ]}
        onChange={async (units) => {
          await callAct(setUnits, { units });
          router.refresh();
        }}
      />
      <Menu label={person.name}>
        <MenuItem onSelect={() => router.push("/shop")}>{person.shopName}</MenuItem>
        <MenuItem
          onSelect={async () => {
            await callAct(signOut, {});
            router.replace("/sign-in");
          }}
        >
          Sign out
        </MenuItem>
      </Menu>
    </div>
  );
}
