"use client";
import { clsx } from "clsx";
import { FolderOpen, Inbox, Layers, MoreHorizontal, Plus } from "lucide-react";
import { useRouter } from "next/navigation";
import { useState, type FormEvent, type ReactNode } from "react";
import type { Pocket, SatchelItem } from "@/data/satchel";
import { makePocket, putIntoPocket, removePocket, renamePocket } from "@/server/actions/satchel";
import { Button } from "@/ui/button";
import { TextInput } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";
import { Menu, MenuItem } from "@/ui/menu";
import { tell, tellProblem } from "@/ui/toast";

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
  onOpen,
  menu,
}: {
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
  pocket: number | "none" | null;
  onPick: (pocket: number | "none" | null) => void;
}) {
  const router = useRouter();
  const [making, setMaking] = useState(false);
  const [renaming, setRenaming] = useState<number | null>(null);
  const count = (id: number) => items.filter((item) => item.pockets.includes(id)).length;

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
    const outcome = await renamePocket({ pocket: id, name });
    if (!outcome.ok) return outcome.problem;
    setRenaming(null);
    tell(`Renamed to “${name.trim()}”.`, async () => {
      await renamePocket({ pocket: id, name: old });
      router.refresh();
    });
    router.refresh();
    return null;
  };
  const remove = async ({ id, name }: Pocket) => {
    const outcome = await removePocket({ pocket: id });
    if (!outcome.ok) return tellProblem(outcome.problem);
    onPick(null);
    router.refresh();
    tell(`Removed the pocket “${name}”. What was in it is still in your satchel.`, async () => {
      const again = await makePocket({ name });
      if (!again.ok) return tellProblem(again.problem);
      if (outcome.value.length > 0) await putIntoPocket({ pocket: again.value.id, resources: outcome.value });
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
          count={items.length}
          onOpen={() => onPick(null)}
        />
        <Entry
          here={pocket === "none"}
          icon={<Inbox size={16} aria-hidden />}
          text="Not in any pocket"
          count={items.filter((item) => item.pockets.length === 0).length}
          onOpen={() => onPick("none")}
        />
      </ul>
      <h2 className="mt-4 mb-1 flex items-center justify-between pl-2.5 text-[13px] text-ink-soft">
        Pockets
        <IconButton name="New pocket" small onClick={() => setMaking(true)}>
          <Plus size={16} aria-hidden />
        </IconButton>
      </h2>
      {making && <NameForm start="" label="Name of the new pocket" onName={make} onLeave={() => setMaking(false)} />}
      <ul className="grid gap-0.5">
        {pockets.map((one) =>
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
              icon={<FolderOpen size={16} aria-hidden />}
              text={one.name}
              count={count(one.id)}
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
