"use client";
import { clsx } from "clsx";
import { ArrowDown, ArrowUp, Plus } from "lucide-react";
import { formatMonths } from "@/core/calendar/format-moment";
import type { KeptSet } from "@/data/find/sets";
import { moveSet } from "@/screens/acts/set";
import { orTell } from "@/screens/acts/tried";
import { Button } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { IconButton } from "@/ui/icon-button";
import { tell, tellProblem } from "@/ui/toast";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { useAddress } from "../use-address";
import { useOnce } from "../use-once";
import { DeskLists } from "./desk-lists";
import { SetForm, type SetDraft } from "./set-form";

/** The sets curators keep for Find's first page: their season, cover, order and the sentence that says why. */
export function SetsScreen({
  sets,
  opened,
  reports,
}: {
  sets: KeptSet[];
  /** 0: a new one. */
  opened: number | null;
  reports: number;
}) {
  const { go } = useAddress();
  const router = useRouter();
  const [busy, start] = useOnce();
  // What is not saved yet stays when she looks at another set.
  const [drafts, setDrafts] = useState<ReadonlyMap<number, SetDraft>>(new Map());
  const keep = (id: number, draft: SetDraft | null) =>
    setDrafts((before) => {
      const next = new Map(before);
      if (draft) next.set(id, draft);
      else next.delete(id);
      return next;
    });
  const shown = sets.find(({ id }) => id === opened) ?? null;
  const move = ({ id, name }: KeptSet, by: 1 | -1) =>
    start(async () => {
      const outcome = await moveSet({ id, by });
      if (!outcome.ok) return tellProblem(outcome.problem);
      router.refresh();
      tell(`Moved “${name}” ${by === 1 ? "down" : "up"}.`, async () => {
        await orTell(moveSet({ id, by: by === 1 ? -1 : 1 }));
        router.refresh();
      });
    });
  return (
    <div className="flex h-full min-h-0 flex-col">
      <header className="flex flex-wrap items-center gap-4 border-b border-line px-5 py-3">
        <h1 className="font-serif text-[22px]">Sets on Find’s first page</h1>
        <DeskLists list="sets" reports={reports} />
        <span className="flex-1" />
        <Button size="small" onClick={() => go({ set: 0 })}>
          <Plus size={14} aria-hidden /> New set
        </Button>
      </header>
      <div className="grid min-h-0 flex-1 grid-cols-[22rem_minmax(0,1fr)] max-md:grid-cols-1 max-md:overflow-auto">
        <nav aria-label="Sets" className="min-h-0 overflow-auto border-r border-line bg-card">
          <ol>
            {sets.map((set, at) => (
              <li
                key={set.id}
                className={clsx(
                  "flex items-center gap-1 border-b border-line pr-2",
                  set.id === shown?.id && "bg-shade",
                )}
              >
                <button
                  type="button"
                  onClick={() => go({ set: set.id })}
                  aria-current={set.id === shown?.id || undefined}
                  className="min-w-0 flex-1 px-4 py-2.5 text-left"
                >
                  <span className="block font-semibold [overflow-wrap:anywhere]">{set.name}</span>
                  <span className="text-[13px] text-ink-soft">
                    {set.kind === "unit" ? "unit" : set.months.length > 0 ? formatMonths(set.months) : "all year"} ·{" "}
                    {set.items.length} {set.items.length === 1 ? "thing" : "things"} · {set.curatorName}
                    {drafts.has(set.id) && <strong className="text-brass-text"> · not saved yet</strong>}
                  </span>
                </button>
                <IconButton
                  name={`Move ${set.name} up`}
                  small
                  disabled={busy || at === 0}
                  onClick={() => move(set, -1)}
                >
                  <ArrowUp size={14} aria-hidden />
                </IconButton>
                <IconButton
                  name={`Move ${set.name} down`}
                  small
                  disabled={busy || at === sets.length - 1}
                  onClick={() => move(set, 1)}
                >
                  <ArrowDown size={14} aria-hidden />
                </IconButton>
              </li>
            ))}
          </ol>
          {sets.length === 0 && <p className="p-4 text-ink-soft">No sets yet.</p>}
        </nav>
        {shown || opened === 0 ? (
          <SetForm
            key={shown?.id ?? 0}
            set={shown}
            draft={drafts.get(shown?.id ?? 0) ?? null}
            onDraft={(draft) => keep(shown?.id ?? 0, draft)}
            onSaved={(id) => {
              keep(shown?.id ?? 0, null);
              go({ set: id });
            }}
            onRemoved={() => {
              keep(shown?.id ?? 0, null);
              go({ set: null });
            }}
          />
        ) : (
          <Empty title="No set is open">
            Choose one, or make a new one. Each has a season, a picture and a reason.
          </Empty>
        )}
      </div>
    </div>
  );
}
