"use client";
import {
  Copy,
  Download,
  FolderInput,
  FolderMinus,
  ChevronDown,
  PackageMinus,
  Printer,
  Send,
  Share2,
  Tag,
  Undo2,
} from "lucide-react";
import { useRouter } from "next/navigation";
import type { Pocket } from "@/data/satchel/pockets";
import type { SatchelItem } from "@/data/satchel/satchel";
import type { OpenPocket } from "@/core/satchel/filter";
import { archiveResource, duplicateResources } from "@/screens/acts/adapt";
import { orTell } from "@/screens/acts/tried";
import { putIntoPocket, takeOutOfPocket } from "@/screens/acts/pockets";
import { packAgain, tagResources, unpackResources } from "@/screens/acts/satchel";
import { Button } from "@/ui/button";
import { inputClasses } from "@/ui/field";
import { Menu, MenuItem, MenuLabel } from "@/ui/menu";
import { tell, tellProblem } from "@/ui/toast";
import { useDone } from "../use-done";
import { isOwn, mayAdd } from "./format-satchel";

const things = (count: number) => (count === 1 ? "1 thing" : `${count} things`);

/** What can be done with everything ticked, each with a way back. */
export function BulkBar({
  ticked,
  pockets,
  pocket,
  words,
  onDone,
  onAssign,
  onShare,
}: {
  ticked: readonly SatchelItem[];
  pockets: readonly Pocket[];
  pocket: OpenPocket;
  /** Words of hers that are somewhere already. */
  words: readonly string[];
  onDone: () => void;
  /** Missing where nothing of it is hers. */
  onShare: (() => void) | undefined;
  onAssign: (resources: { id: number; title: string }[]) => void;
}) {
  const router = useRouter();
  const done = useDone();
  const open = pockets.find(({ id }) => id === pocket);
  const ids = ticked.map((item) => item.id);
  const list = `ids=${ids.join(",")}${pocket === null ? "" : `&pocket=${pocket}`}`;

  const put = async (into: Pocket) => {
    const fresh = ticked.filter((item) => !item.pockets.includes(into.id)).map((item) => item.id);
    const outcome = await putIntoPocket({ pocket: into.id, resources: ids });
    if (!outcome.ok) return tellProblem(outcome.problem);
    onDone();
    router.refresh();
    tell(`Put ${things(ids.length)} into “${into.name}”.`, async () => {
      if (fresh.length > 0) await orTell(takeOutOfPocket({ pocket: into.id, ids: fresh }));
      router.refresh();
    });
  };
  const takeOut = async (from: number) => {
    const outcome = await takeOutOfPocket({ pocket: from, ids });
    if (!outcome.ok) return tellProblem(outcome.problem);
    onDone();
    const { event, taken } = outcome.value;
    const left = ids.length - taken.length;
    done(
      `Took ${things(taken.length)} out of this pocket.${left > 0 ? (open?.may === "add" ? ` ${things(left)} stay: colleagues put them in.` : ` ${things(left)} are in a pocket inside it.`) : ""}`,
      event,
    );
  };
  const own = ticked.filter(isOwn).map((item) => item.id);
  const give = async (typed: string, on: boolean): Promise<boolean> => {
    const tag = typed.trim();
    const outcome = await tagResources({ resources: ids, tag, on });
    if (!outcome.ok) {
      tellProblem(outcome.problem);
      return false;
    }
    router.refresh();
    tell(on ? `“${tag}” is on ${things(ids.length)} now.` : `“${tag}” is removed.`, async () => {
      if (outcome.value.length > 0) await orTell(tagResources({ resources: outcome.value, tag, on: !on }));
      router.refresh();
    });
    return true;
  };
  /** True when all of them are; it stops at the first that is not, and says so. */
  const putAway = async (resources: readonly number[], archived: boolean): Promise<boolean> => {
    let done = true;
    for (const resource of resources) done = done && (await orTell(archiveResource({ resource, archived })));
    router.refresh();
    return done;
  };
  const duplicate = async () => {
    const outcome = await duplicateResources({ resources: own });
    if (!outcome.ok) return tellProblem(outcome.problem);
    onDone();
    router.refresh();
    tell(
      `Made ${outcome.value.length === 1 ? "a copy" : `${outcome.value.length} copies`}.`,
      () => void putAway(outcome.value, true),
    );
  };
  const bringBack = async () => {
    if (!(await putAway(own, false))) return;
    onDone();
    tell(`Brought back ${things(own.length)}.`, () => void putAway(own, true));
  };
  const remove = async () => {
    const packed = ticked.filter((item) => item.origin === "packed").map((item) => item.id);
    const unpacked = packed.length > 0 ? await unpackResources({ ids: packed }) : null;
    if (unpacked && !unpacked.ok) return tellProblem(unpacked.problem);
    if (!(await putAway(own, true))) return;
    onDone();
    tell(
      `Took ${things(packed.length + own.length)} out of your satchel.${own.length > 0 ? " What is your own is under “Put away”." : ""}`,
      async () => {
        if (unpacked?.ok) await orTell(packAgain({ resources: packed, pockets: unpacked.value }));
        await putAway(own, false);
      },
    );
  };

  return (
    <div
      role="toolbar"
      aria-label="With what is ticked"
      className="flex min-h-11 shrink-0 flex-wrap items-center gap-x-2 gap-y-1 border-b border-line bg-brass-wash px-4 py-1.5"
    >
      <span className="numbers font-semibold whitespace-nowrap">{ids.length} ticked</span>
      <Button
        size="small"
        onClick={() => onAssign(ticked.map(({ id, facts }) => ({ id, title: facts.title })))}
        disabled={ids.length > 60}
      >
        <Send size={15} aria-hidden /> Assign …
      </Button>
      {onShare && (
        <Button size="small" onClick={onShare}>
          <Share2 size={15} aria-hidden /> Share …
        </Button>
      )}
      <Menu
        align="start"
        trigger={
          <Button size="small">
            <FolderInput size={15} aria-hidden /> Put into …
          </Button>
        }
      >
        {pockets.length === 0 && <MenuLabel>Make a pocket first, on the left.</MenuLabel>}
        {pockets.filter(mayAdd).map((one) => (
          <MenuItem key={one.id} onSelect={() => void put(one)}>
            {one.name}
          </MenuItem>
        ))}
      </Menu>
      {open && mayAdd(open) && (
        <Button size="small" onClick={() => void takeOut(open.id)}>
          <FolderMinus size={15} aria-hidden /> Take out of this pocket
        </Button>
      )}
      <form
        className="flex items-center gap-1"
        onSubmit={(event) => {
          event.preventDefault();
          const form = event.currentTarget;
          void give(String(new FormData(form).get("tag")), true).then((done) => done && form.reset());
        }}
      >
        <input
          name="tag"
          list="my-words"
          aria-label="Add my own label to what is ticked"
          placeholder="my own label"
          maxLength={40}
          className={`${inputClasses} !min-h-7 !w-32`}
        />
        <datalist id="my-words">
          {words.map((word) => (
            <option key={word} value={word} />
          ))}
        </datalist>
      </form>
      <Menu
        align="start"
        trigger={
          <Button size="small" aria-label="More actions for what is ticked">
            More <ChevronDown size={13} aria-hidden />
          </Button>
        }
      >
        {[...new Set(ticked.flatMap((item) => item.tags))].map((word) => (
          <MenuItem key={word} onSelect={() => void give(word, false)}>
            <Tag size={15} aria-hidden /> Without “{word}”
          </MenuItem>
        ))}
        <MenuItem onSelect={() => window.open(`/print/satchel?${list}`, "_blank", "noreferrer")}>
          <Printer size={15} aria-hidden /> Print a list of them
        </MenuItem>
        <MenuItem onSelect={() => window.open(`/satchel/list?${list}`, "_self")}>
          <Download size={15} aria-hidden /> Export them (CSV)
        </MenuItem>
        {own.length > 0 && (
          <MenuItem onSelect={() => void duplicate()}>
            <Copy size={15} aria-hidden /> Duplicate {own.length === ids.length ? "" : `my own ${own.length}`}
          </MenuItem>
        )}
        {pocket !== "away" && ticked.some(({ origin }) => origin !== "together") && (
          <MenuItem onSelect={() => void remove()}>
            <PackageMinus size={15} aria-hidden /> Take out of the satchel
          </MenuItem>
        )}
      </Menu>
      {pocket === "away" && (
        <Button size="small" onClick={() => void bringBack()}>
          <Undo2 size={15} aria-hidden /> Bring back
        </Button>
      )}
      <Button size="small" look="quiet" className="ml-auto" onClick={onDone}>
        Untick
      </Button>
    </div>
  );
}
