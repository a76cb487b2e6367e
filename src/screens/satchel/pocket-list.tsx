"use client";
import { clsx } from "clsx";
import { Archive, FolderOpen, Inbox, Layers, MoreHorizontal, Plus } from "lucide-react";
import { useRouter } from "next/navigation";
import { useState, type FormEvent, type ReactNode } from "react";
import { inPocket, pocketColours, pocketTree, type OpenPocket, type PocketColour } from "@/core/satchel/filter";
import type { Pocket, SatchelItem } from "@/data/satchel";
import { arrangePockets, changePocket, makePocket, putIntoPocket, removePocket } from "@/server/actions/satchel";
import { Button } from "@/ui/button";
import { TextInput } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";
import { Menu, MenuItem, MenuLabel, MenuLine } from "@/ui/menu";
import { tell, tellProblem } from "@/ui/toast";

/** Colours to tell pockets by at a glance; their names say the same. Brass is not among them: it means something here. */
const colours: Record<PocketColour, { text: string; fill: string }> = {
  plain: { text: "text-ink-soft", fill: "bg-card" },
  moss: { text: "text-green", fill: "bg-green" },
  slate: { text: "text-slate", fill: "bg-slate" },
  clay: { text: "text-clay", fill: "bg-clay" },
  plum: { text: "text-[#7b4b74] dark:text-[#c79bc0]", fill: "bg-[#7b4b74]" },
  sand: { text: "text-line-strong", fill: "bg-line-strong" },
};

function NameForm({
  start,
  label,
  onName,
  onLeave,
}: {
  start: string;
  label: string;
  onName: (name: string) => Promise<string | null>;
  onLeave: () => void;
}) {
  const [problem, setProblem] = useState<string | null>(null);
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const name = String(new FormData(event.currentTarget).get("name"));
    setProblem(await onName(name));
  };
  return (
    <form onSubmit={submit} className="px-2 py-1">
      <TextInput
        name="name"
        autoFocus
        aria-label={label}
        defaultValue={start}
        maxLength={80}
        onKeyDown={(event) => event.key === "Escape" && onLeave()}
        aria-invalid={problem !== null}
      />
      {problem && (
        <p role="alert" className="mt-1 text-[13px] font-semibold text-clay">
          {problem}
        </p>
      )}
      <div className="mt-1 flex gap-1">
        <Button size="small" type="submit">
          Keep
        </Button>
        <Button size="small" look="quiet" onClick={onLeave}>
          Leave it
        </Button>
      </div>
    </form>
  );
}

function Entry({
  here,
  icon,
  text,
  count,
  inside = false,
  onOpen,
  menu,
}: {
  /** Stands inside the pocket above it. */
  inside?: boolean;
  here: boolean;
  icon: ReactNode;
  text: string;
  count: number;
  onOpen: () => void;
  menu?: ReactNode;
}) {
  return (
    <li
      className={clsx(
        "group flex items-center rounded-card pr-1",
        inside && "ml-4",
        here ? "bg-card font-semibold shadow-[inset_2px_0_0_var(--ink)]" : "hover:bg-card/60",
      )}
    >
      <button
        type="button"
        aria-current={here || undefined}
        onClick={onOpen}
        title={text}
        className="flex h-9 min-w-0 flex-1 items-center gap-2 pl-2.5 text-left"
      >
        <span className="text-ink-soft">{icon}</span>
        <span className="truncate">{text}</span>
        <span className="numbers ml-auto pr-1 text-[13px] font-normal text-ink-soft">{count}</span>
      </button>
      {menu ?? <span className="w-7" />}
    </li>
  );
}

/** Everything, what is in no pocket, and the pockets; made, renamed and removed in place. */
export function PocketList({
  items,
  pockets,
  pocket,
  onPick,
}: {
  items: readonly SatchelItem[];
  pockets: readonly Pocket[];
  pocket: OpenPocket;
  onPick: (pocket: OpenPocket) => void;
}) {
  const router = useRouter();
  const [making, setMaking] = useState(false);
  const [renaming, setRenaming] = useState<number | null>(null);
  const tree = pocketTree(pockets);
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
      await arrangePockets({ places });
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
      parent ? `Put “${one.name}” inside “${parent.name}”.` : `“${one.name}” stands by itself.`,
    );
  };

  const make = async (name: string) => {
    const outcome = await makePocket({ name });
    if (!outcome.ok) return outcome.problem;
    setMaking(false);
    router.refresh();
    onPick(outcome.value.id);
    return null;
  };
  const rename = async (id: number, name: string) => {
    const old = pockets.find((one) => one.id === id)!.name;
    const outcome = await changePocket({ pocket: id, name });
    if (!outcome.ok) return outcome.problem;
    setRenaming(null);
    tell(`Renamed to “${name.trim()}”.`, async () => {
      await changePocket({ pocket: id, name: old });
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
      await changePocket({ pocket: one.id, colour: one.colour });
      router.refresh();
    });
  };
  const remove = async ({ id, name, about, colour }: Pocket) => {
    const outcome = await removePocket({ pocket: id });
    if (!outcome.ok) return tellProblem(outcome.problem);
    onPick(null);
    router.refresh();
    tell(`Removed the pocket “${name}”. What was in it is still in your satchel.`, async () => {
      const again = await makePocket({ name });
      if (!again.ok) return tellProblem(again.problem);
      if (outcome.value.length > 0) await putIntoPocket({ pocket: again.value.id, resources: outcome.value });
      await changePocket({ pocket: again.value.id, about, colour });
      const back = (of: number | null) => (of === id ? again.value.id : of);
      await arrangePockets({ places: places.map((place) => ({ id: back(place.id)!, parent: back(place.parent) })) });
      router.refresh();
    });
  };

  return (
    <nav aria-label="Pockets" className="flex h-full flex-col overflow-auto bg-shade/60 p-2">
      <ul className="grid gap-0.5">
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
      <ul className="grid gap-0.5">
        {tree.map(({ pocket: one, inside }) =>
          renaming === one.id ? (
            <li key={one.id}>
              <NameForm
                start={one.name}
                label={`New name of ${one.name}`}
                onName={(name) => rename(one.id, name)}
                onLeave={() => setRenaming(null)}
              />
            </li>
          ) : (
            <Entry
              key={one.id}
              here={pocket === one.id}
              icon={<FolderOpen size={16} aria-hidden className={colours[one.colour].text} />}
              text={one.name}
              count={inPocket(items, pockets, one.id).length}
              inside={inside}
              onOpen={() => onPick(one.id)}
              menu={
                <Menu
                  trigger={
                    <button
                      type="button"
                      aria-label={`More for ${one.name}`}
                      className="grid h-7 w-7 place-items-center rounded hover:bg-shade"
                    >
                      <MoreHorizontal size={16} aria-hidden />
                    </button>
                  }
                >
                  <MenuItem onSelect={() => setRenaming(one.id)}>Rename</MenuItem>
                  <MenuItem disabled={!neighbour(one.id, -1)} onSelect={() => move(one, -1)}>
                    Up
                  </MenuItem>
                  <MenuItem disabled={!neighbour(one.id, 1)} onSelect={() => move(one, 1)}>
                    Down
                  </MenuItem>
                  {inside ? (
                    <MenuItem onSelect={() => putInside(one, null)}>Take out, to stand by itself</MenuItem>
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
      {pockets.length === 0 && !making && (
        <p className="px-2.5 text-[13px] text-ink-soft">
          A pocket holds what belongs together: a unit, a term, openers for Fridays.
        </p>
      )}
    </nav>
  );
}
