"use client";
import { clsx } from "clsx";
import { ArrowDown, ArrowUp, Plus } from "lucide-react";
import { sayMonths } from "@/core/calendar/say-moment";
import type { KeptSet } from "@/data/sets";
import { moveSet } from "@/screens/acts/set";
import { Button } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { IconButton } from "@/ui/icon-button";
import { tellProblem } from "@/ui/toast";
import { useRouter } from "next/navigation";
import { useAddress } from "../use-address";
import { useOnce } from "../use-once";
import { DeskLists } from "./desk-lists";
import { SetForm } from "./set-form";

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
  const shown = sets.find(({ id }) => id === opened) ?? null;
  const move = (id: number, by: 1 | -1) =>
    start(async () => {
      const outcome = await moveSet({ id, by });
      if (!outcome.ok) tellProblem(outcome.problem);
      router.refresh();
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
                    {set.kind === "unit" ? "unit" : set.months.length > 0 ? sayMonths(set.months) : "all year"} ·{" "}
                    {set.items.length} {set.items.length === 1 ? "thing" : "things"} · {set.curatorName}
                  </span>
                </button>
                <IconButton
                  name={`Move ${set.name} up`}
                  small
                  disabled={busy || at === 0}
                  onClick={() => move(set.id, -1)}
                >
                  <ArrowUp size={14} aria-hidden />
                </IconButton>
                <IconButton
                  name={`Move ${set.name} down`}
                  small
                  disabled={busy || at === sets.length - 1}
                  onClick={() => move(set.id, 1)}
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
            start={shown}
            onSaved={(id) => go({ set: id })}
            onRemoved={() => go({ set: null })}
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
