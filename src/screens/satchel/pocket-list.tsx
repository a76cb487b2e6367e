"use client";
import { useDndMonitor } from "@dnd-kit/core";
import { clsx } from "clsx";
import { Archive, ChevronDown, FolderOpen, FolderSync, Gift, Inbox, Layers, Plus, Share2 } from "lucide-react";
import { Link } from "@/ui/link";
import { useRouter } from "next/navigation";
import { useState, type ComponentProps } from "react";
import { inPocket, pocketColours, pocketTree, type OpenPocket, type PocketColour } from "@/core/satchel/filter";
import type { Pocket } from "@/data/satchel/pockets";
import type { SatchelItem } from "@/data/satchel/satchel";
import {
  arrangePockets,
  changePocket,
  leavePocket,
  makePocket,
  putIntoPocket,
  removePocket,
  takeOutOfPocket,
} from "@/screens/acts/pockets";
import { orTell } from "@/screens/acts/tried";
import { IconButton } from "@/ui/icon-button";
import { Menu, MenuItem, MenuLabel, MenuLine } from "@/ui/menu";
import { tell, tellProblem } from "@/ui/toast";
import { useDone } from "../use-done";
import { colours, Entry, NameForm } from "./pocket-entry";
import { isTogether, mayAdd } from "./format-satchel";

/** A pocket's sign: kept with others, or by herself. */
function Folder({ one }: { one: Pocket }) {
  const Sign = isTogether(one) ? FolderSync : FolderOpen;
  return <Sign size={16} aria-hidden className={colours[one.colour].text} />;
}

function MoreButton({ of: { name }, ...menu }: { of: Pocket } & ComponentProps<"button">) {
  return (
    <button
      type="button"
      aria-label={`More for ${name}`}
      className="-mr-1 inline-flex h-7 items-center rounded px-0.5 text-[12px] hover:bg-shade"
      {...menu}
    >
      More <ChevronDown size={12} aria-hidden />
    </button>
  );
}

/** Everything, what is in no pocket, and the pockets; made, renamed and removed in place. */
export function PocketList({
  items,
  pockets,
  pocket,
  given,
  onTogether,
  carried,
  onPick,
}: {
  /** What goes along when one thing is carried: all that is ticked, when it is among it. */
  carried: (id: number) => number[];
  /** How many things colleagues have given her. */
  given: number;
  /** Shows who keeps a pocket with her. */
  onTogether: (pocket: number) => void;
  items: readonly SatchelItem[];
  pockets: readonly Pocket[];
  pocket: OpenPocket;
  onPick: (pocket: OpenPocket) => void;
}) {
  const router = useRouter();
  const [making, setMaking] = useState(false);
  /** The pocket whose name is being written, as it was called when that began: a colleague may rename it meanwhile. */
  const [renaming, setRenaming] = useState<{ id: number; old: string } | null>(null);
  const done = useDone();
  const tree = pocketTree(pockets.filter(({ may }) => may === "own"));
  const colleagues = pockets.filter(({ may }) => may !== "own");
  const away = inPocket(items, pockets, "away").length;
  const places = tree.map(({ pocket: { id }, inside }, at) => ({
    id,
    parent: inside ? tree.slice(0, at).findLast((one) => !one.inside)!.pocket.id : null,
  }));
  const arrange = async (next: typeof places, says: string) => {
    const outcome = await arrangePockets({ places: next });
    if (!outcome.ok) return tellProblem(outcome.problem);
    router.refresh();
    tell(says, async () => {
      await orTell(arrangePockets({ places }));
      router.refresh();
    });
  };
  /** The place beside it on the same level, up (-1) or down (1): its whole content goes along. */
  const neighbour = (id: number, by: -1 | 1) => {
    const { parent } = places.find((one) => one.id === id)!;
    const level = places.filter((one) => one.parent === parent);
    return level[level.findIndex((one) => one.id === id) + by];
  };
  const move = (one: Pocket, by: -1 | 1) => {
    const other = neighbour(one.id, by);
    if (!other) return;
    const block = (id: number) => places.filter((place) => place.id === id || place.parent === id);
    const [first, second] = by === 1 ? [block(one.id), block(other.id)] : [block(other.id), block(one.id)];
    const rest = places.filter((place) => !first.includes(place) && !second.includes(place));
    const at = rest.findIndex((place) => places.indexOf(place) > places.indexOf(first[0]!));
    const next = rest.toSpliced(at < 0 ? rest.length : at, 0, ...second, ...first);
    void arrange(next, `Moved “${one.name}” ${by === 1 ? "down" : "up"}.`);
  };
  const putInside = (one: Pocket, parent: Pocket | null) => {
    const moved = { id: one.id, parent: parent?.id ?? null };
    void arrange(
      [...places.filter(({ id }) => id !== one.id), moved],
      parent ? `Put “${one.name}” inside “${parent.name}”.` : `“${one.name}” is on its own now.`,
    );
  };

  const putInto = async (into: Pocket, resources: number[]) => {
    if (!mayAdd(into)) return tellProblem(`You can look at “${into.name}”, and put nothing in. Ask ${into.owner}.`);
    const fresh = items
      .filter((item) => resources.includes(item.id) && !item.pockets.includes(into.id))
      .map(({ id }) => id);
    if (fresh.length === 0) return tell(`That is in “${into.name}” already.`);
    const outcome = await putIntoPocket({ pocket: into.id, resources: fresh });
    if (!outcome.ok) return tellProblem(outcome.problem);
    router.refresh();
    tell(`Put ${fresh.length === 1 ? "1 thing" : `${fresh.length} things`} into “${into.name}”.`, async () => {
      await orTell(takeOutOfPocket({ pocket: into.id, ids: fresh }));
      router.refresh();
    });
  };
  /** A pocket carried to another takes its place on that one's level; what stands inside it comes along. */
  const carry = (id: number, to: number) => {
    const block = places.filter((place) => place.id === id || place.parent === id);
    const onto = places.find((place) => place.id === to);
    // A colleague’s stands where it stands.
    if (block.length === 0 || !onto) return;
    const { parent } = onto;
    if (id === to || parent === id) return;
    if (parent !== null && block.length > 1) return tellProblem("A pocket that holds pockets is on its own now.");
    const down = places.findIndex((place) => place.id === id) < places.findIndex((place) => place.id === to);
    const rest = places.filter((place) => !block.includes(place));
    const end = rest.findLastIndex((place) => place.id === to || (parent === null && place.parent === to));
    const at = down ? end + 1 : rest.findIndex((place) => place.id === to);
    const moved = block.map((place) => (place.id === id ? { ...place, parent } : place));
    void arrange(rest.toSpliced(at, 0, ...moved), `Moved “${pockets.find((one) => one.id === id)!.name}”.`);
  };
  useDndMonitor({
    onDragEnd: ({ active, over }) => {
      const to = pockets.find(({ id }) => id === over?.data.current?.pocket);
      if (!to) return;
      const { pocket: moved, thing } = (active.data.current ?? {}) as { pocket?: number; thing?: number };
      if (thing !== undefined) void putInto(to, carried(thing));
      else if (moved !== undefined) carry(moved, to.id);
    },
  });

  const make = async (name: string) => {
    const outcome = await makePocket({ name });
    if (!outcome.ok) return outcome.problem;
    setMaking(false);
    router.refresh();
    onPick(outcome.value.id);
    return null;
  };
  const rename = async ({ id, old }: { id: number; old: string }, name: string) => {
    const outcome = await changePocket({ pocket: id, name, was: { name: old } });
    if (!outcome.ok) return outcome.problem;
    setRenaming(null);
    tell(`Renamed to “${name.trim()}”.`, async () => {
      await orTell(changePocket({ pocket: id, name: old }));
      router.refresh();
    });
    router.refresh();
    return null;
  };
  const paint = async (one: Pocket, colour: PocketColour) => {
    const outcome = await changePocket({ pocket: one.id, colour });
    if (!outcome.ok) return tellProblem(outcome.problem);
    router.refresh();
    tell(`“${one.name}” is ${colour} now.`, async () => {
      await orTell(changePocket({ pocket: one.id, colour: one.colour }));
      router.refresh();
    });
  };
  const leave = async ({ id, name }: Pocket) => {
    const outcome = await leavePocket({ pocket: id });
    if (!outcome.ok) return tellProblem(outcome.problem);
    onPick(null);
    done(`You no longer keep “${name}”.`, outcome.value.event);
  };
  const remove = async ({ id, name }: Pocket) => {
    const outcome = await removePocket({ pocket: id });
    if (!outcome.ok) return tellProblem(outcome.problem);
    onPick(null);
    done(`Removed the pocket “${name}”. What was in it is still in your satchel.`, outcome.value.event);
  };

  return (
    <nav
      aria-label="Pockets"
      className="flex h-full flex-col overflow-auto bg-shade/60 p-2 max-md:h-auto max-md:max-h-36"
    >
      <ul className="grid grid-cols-1 gap-0.5">
        <Entry
          here={pocket === null}
          icon={<Layers size={16} aria-hidden />}
          text="Everything"
          count={inPocket(items, pockets, null).length}
          onOpen={() => onPick(null)}
        />
        <Entry
          here={pocket === "none"}
          icon={<Inbox size={16} aria-hidden />}
          text="Not in any pocket"
          count={inPocket(items, pockets, "none").length}
          onOpen={() => onPick("none")}
        />
        {(away > 0 || pocket === "away") && (
          <Entry
            here={pocket === "away"}
            icon={<Archive size={16} aria-hidden />}
            text="Put away"
            count={away}
            onOpen={() => onPick("away")}
          />
        )}
      </ul>
      <h2 className="mt-4 mb-1 flex items-center justify-between pl-2.5 text-[13px] text-ink-soft">
        Pockets
        <IconButton name="New pocket" small onClick={() => setMaking(true)}>
          <Plus size={16} aria-hidden />
        </IconButton>
      </h2>
      {making && <NameForm start="" label="Name of the new pocket" onName={make} onLeave={() => setMaking(false)} />}
      <ul className="grid grid-cols-1 gap-0.5">
        {tree.map(({ pocket: one, inside }) =>
          renaming?.id === one.id ? (
            <li key={one.id}>
              <NameForm
                start={renaming.old}
                label={`New name of ${renaming.old}`}
                onName={(name) => rename(renaming, name)}
                onLeave={() => setRenaming(null)}
              />
            </li>
          ) : (
            <Entry
              key={one.id}
              pocket={one.id}
              here={pocket === one.id}
              icon={<Folder one={one} />}
              text={one.name}
              count={inPocket(items, pockets, one.id).length}
              inside={inside}
              onOpen={() => onPick(one.id)}
              menu={
                <Menu trigger={<MoreButton of={one} />}>
                  <MenuItem onSelect={() => setRenaming({ id: one.id, old: one.name })}>Rename</MenuItem>
                  <MenuItem onSelect={() => onTogether(one.id)}>Keep it with others …</MenuItem>
                  <MenuItem disabled={!neighbour(one.id, -1)} onSelect={() => move(one, -1)}>
                    Up
                  </MenuItem>
                  <MenuItem disabled={!neighbour(one.id, 1)} onSelect={() => move(one, 1)}>
                    Down
                  </MenuItem>
                  {inside ? (
                    <MenuItem onSelect={() => putInside(one, null)}>Move it out</MenuItem>
                  ) : (
                    !places.some(({ parent }) => parent === one.id) &&
                    tree
                      .filter((other) => !other.inside && other.pocket.id !== one.id)
                      .map(({ pocket: other }) => (
                        <MenuItem key={other.id} onSelect={() => putInside(one, other)}>
                          Put inside “{other.name}”
                        </MenuItem>
                      ))
                  )}
                  <MenuLine />
                  <MenuLabel>Colour</MenuLabel>
                  {pocketColours.map((colour) => (
                    <MenuItem key={colour} onSelect={() => void paint(one, colour)}>
                      <span
                        aria-hidden
                        className={clsx("h-4 w-4 rounded-full border border-line-strong", colours[colour].fill)}
                      />
                      {colour}
                      {one.colour === colour && " ✓"}
                    </MenuItem>
                  ))}
                  <MenuLine />
                  <MenuItem onSelect={() => void remove(one)}>Remove the pocket</MenuItem>
                </Menu>
              }
            />
          ),
        )}
      </ul>
      {tree.length === 0 && !making && (
        <p className="px-2.5 text-[13px] text-ink-soft">
          A pocket holds what belongs together: a unit, a term, openers for Fridays.
        </p>
      )}
      <h2 className="mt-4 mb-1 pl-2.5 text-[13px] text-ink-soft">With others</h2>
      {colleagues.length > 0 && (
        <ul className="grid grid-cols-1 gap-0.5">
          {colleagues.map((one) => (
            <Entry
              key={one.id}
              pocket={one.id}
              here={pocket === one.id}
              icon={<Folder one={one} />}
              text={one.name}
              count={inPocket(items, pockets, one.id).length}
              onOpen={() => onPick(one.id)}
              menu={
                <Menu trigger={<MoreButton of={one} />}>
                  <MenuLabel>{one.owner}’s pocket</MenuLabel>
                  <MenuItem onSelect={() => void leave(one)}>Leave this pocket</MenuItem>
                </Menu>
              }
            />
          ))}
        </ul>
      )}
      <Link href="/given" className="flex min-h-8 items-center gap-2 rounded-card px-2.5 hover:bg-card/60">
        <Gift size={16} aria-hidden /> <span className="min-w-0 flex-1 truncate">Given to me</span>
        <span className="numbers text-[13px] text-ink-soft">{given}</span>
      </Link>
      <Link href="/shared" className="flex min-h-8 items-center gap-2 rounded-card px-2.5 hover:bg-card/60">
        <Share2 size={16} aria-hidden /> <span className="min-w-0 flex-1 truncate">Shared by me</span>
      </Link>
    </nav>
  );
}
