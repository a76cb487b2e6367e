"use client";
import { FolderInput, FolderMinus, PackageMinus } from "lucide-react";
import { useRouter } from "next/navigation";
import type { Pocket, SatchelItem } from "@/data/satchel";
import { archiveResource } from "@/server/actions/adapt";
import { packAgain, putIntoPocket, takeOutOfPocket, unpackResources } from "@/server/actions/satchel";
import { Button } from "@/ui/button";
import { Menu, MenuItem, MenuLabel } from "@/ui/menu";
import { tell, tellProblem } from "@/ui/toast";

const things = (count: number) => (count === 1 ? "1 thing" : `${count} things`);

/** What can be done with everything ticked, each with a way back. */
export function BulkBar({
  ticked,
  pockets,
  pocket,
  onDone,
}: {
  ticked: readonly SatchelItem[];
  pockets: readonly Pocket[];
  pocket: number | "none" | null;
  onDone: () => void;
}) {
  const router = useRouter();
  const ids = ticked.map((item) => item.id);

  const put = async (into: Pocket) => {
    const fresh = ticked.filter((item) => !item.pockets.includes(into.id)).map((item) => item.id);
    const outcome = await putIntoPocket({ pocket: into.id, resources: ids });
    if (!outcome.ok) return tellProblem(outcome.problem);
    onDone();
    router.refresh();
    tell(`Put ${things(ids.length)} into “${into.name}”.`, async () => {
      if (fresh.length > 0) await takeOutOfPocket({ pocket: into.id, ids: fresh });
      router.refresh();
    });
  };
  const takeOut = async (from: number) => {
    const outcome = await takeOutOfPocket({ pocket: from, ids });
    if (!outcome.ok) return tellProblem(outcome.problem);
    onDone();
    router.refresh();
    tell(`Took ${things(ids.length)} out of this pocket.`, async () => {
      await putIntoPocket({ pocket: from, resources: ids });
      router.refresh();
    });
  };
  const remove = async () => {
    const packed = ticked.filter((item) => item.origin === "packed").map((item) => item.id);
    const own = ticked.filter((item) => item.origin !== "packed").map((item) => item.id);
    const unpacked = packed.length > 0 ? await unpackResources({ ids: packed }) : null;
    if (unpacked && !unpacked.ok) return tellProblem(unpacked.problem);
    for (const resource of own) await archiveResource({ resource, archived: true });
    onDone();
    router.refresh();
    tell(`Took ${things(ids.length)} out of your satchel.`, async () => {
      if (unpacked?.ok) await packAgain({ resources: packed, pockets: unpacked.value });
      for (const resource of own) await archiveResource({ resource, archived: false });
      router.refresh();
    });
  };

  return (
    <div
      role="toolbar"
      aria-label="With what is ticked"
      className="flex h-11 shrink-0 items-center gap-2 border-b border-line bg-brass-wash px-4"
    >
      <span className="numbers font-semibold">{ids.length} ticked</span>
      <Menu
        align="start"
        trigger={
          <Button size="small">
            <FolderInput size={15} aria-hidden /> Put into …
          </Button>
        }
      >
        {pockets.length === 0 && <MenuLabel>Make a pocket first, on the left.</MenuLabel>}
        {pockets.map((one) => (
          <MenuItem key={one.id} onSelect={() => void put(one)}>
            {one.name}
          </MenuItem>
        ))}
      </Menu>
      {typeof pocket === "number" && (
        <Button size="small" onClick={() => void takeOut(pocket)}>
          <FolderMinus size={15} aria-hidden /> Take out of this pocket
        </Button>
      )}
      <Button size="small" onClick={() => void remove()}>
        <PackageMinus size={15} aria-hidden /> Take out of the satchel
      </Button>
      <Button size="small" look="quiet" className="ml-auto" onClick={onDone}>
        Untick
      </Button>
    </div>
  );
}
