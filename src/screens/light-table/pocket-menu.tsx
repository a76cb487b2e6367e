"use client";
import { FolderInput } from "lucide-react";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import { flushSync } from "react-dom";
import { packIntoPocket, pocketsToFill, takeOutOfPocket } from "@/screens/acts/pockets";
import { orTell } from "@/screens/acts/tried";
import { unpackResources } from "@/screens/acts/satchel";
import { Button } from "@/ui/button";
import { useKeys } from "@/ui/keys";
import { Menu, MenuItem, MenuLabel } from "@/ui/menu";
import { tell, tellProblem } from "@/ui/toast";
import { useOnce } from "../use-once";

type Pocket = { id: number; name: string };
/** As many as one assigning takes. */
const MOST_ASSIGNED = 60;

/** Puts what is on the light table into a pocket (P), and, if she likes, goes on to assigning all of it. */
export function PocketMenu({
  resource,
  title,
  onPacked,
}: {
  resource: number;
  title: string;
  /** It came into her satchel with it, or went out again. */
  onPacked: (packed: boolean) => void;
}) {
  const router = useRouter();
  const button = useRef<HTMLButtonElement>(null);
  const [pockets, setPockets] = useState<readonly Pocket[] | null>(null);
  const [, once] = useOnce();
  const read = async () => {
    const outcome = await pocketsToFill({});
    if (!outcome.ok) return tellProblem(outcome.problem);
    // The button is the menu's now: what is pressed next opens it.
    flushSync(() => setPockets(outcome.value));
    button.current?.click();
  };
  const open = () => once(read);
  const put = async (pocket: Pocket, assign: boolean) => {
    setPockets(null);
    const outcome = await packIntoPocket({ pocket: pocket.id, resource });
    if (!outcome.ok) return tellProblem(outcome.problem);
    const { packed, put: isNew, inside } = outcome.value;
    if (packed) onPacked(true);
    const all = () => router.push(`/satchel?pocket=${pocket.id}&ticked=${inside.join(",")}&giving=1`);
    if (assign) return all();
    const undo = async () => {
      if (!(await orTell(takeOutOfPocket({ pocket: pocket.id, ids: [resource] })))) return;
      if (packed && (await orTell(unpackResources({ ids: [resource] })))) onPacked(false);
      router.refresh();
    };
    tell(
      isNew ? `Put “${title}” into “${pocket.name}”.` : `It is in “${pocket.name}” already.`,
      isNew ? undo : undefined,
      inside.length <= MOST_ASSIGNED ? { label: "Assign the pocket", onClick: all } : undefined,
    );
    router.refresh();
  };
  useKeys({ P: () => (pockets === null ? open() : button.current?.click()) });
  const trigger = (
    <Button
      ref={button}
      aria-label="Put it into a pocket"
      title="Put it into a pocket (P)"
      {...(pockets === null && { onClick: open, "aria-haspopup": "menu" as const })}
    >
      <FolderInput size={16} aria-hidden />
    </Button>
  );
  if (pockets === null) return trigger;
  return (
    <Menu trigger={trigger}>
      {pockets.length === 0 && <MenuLabel>Make a pocket first, in your satchel.</MenuLabel>}
      {pockets.map((one) => (
        <MenuItem key={one.id} onSelect={() => void put(one, false)} onCtrlEnter={() => void put(one, true)}>
          {one.name}
        </MenuItem>
      ))}
      {pockets.length > 0 && <MenuLabel>Ctrl + Enter assigns all of it too.</MenuLabel>}
    </Menu>
  );
}
