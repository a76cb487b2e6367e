"use client";
import { CalendarClock, SlidersHorizontal, Undo2 } from "lucide-react";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import { stateOf } from "@/core/assign/form";
import type { Assignment } from "@/data/assign/assignments";
import { callBack } from "@/screens/acts/assign";
import { orTell } from "@/screens/acts/tried";
import { Button } from "@/ui/button";
import { tell } from "@/ui/toast";
import { DueDialog, formatCount } from "./due-dialog";
import { ManyRulesDialog } from "./many-rules-dialog";

/** What can be done with everything ticked in the list of work. */
export function ManyBar({
  chosen,
  zone,
  now,
  onUntick,
}: {
  chosen: readonly Assignment[];
  zone: string;
  now: Date;
  onUntick: () => void;
}) {
  const [dialog, setDialog] = useState<"due" | "rules" | null>(null);
  const router = useRouter();
  const [busy, start] = useTransition();
  const out = chosen.filter((work) => stateOf(work, now) !== "called back");
  const back = () =>
    start(async () => {
      const assignments = out.map(({ id }) => id);
      if (!(await orTell(callBack({ assignments, back: true })))) return;
      onUntick();
      router.refresh();
      tell(`${formatCount(out)} called back. What students answered is kept.`, async () => {
        await orTell(callBack({ assignments, back: false }));
        router.refresh();
      });
    });
  return (
    <div
      role="toolbar"
      aria-label="With what is ticked"
      className="sticky top-0 z-10 mt-3 flex flex-wrap items-center gap-2 rounded-card bg-brass-wash px-4 py-2"
    >
      <strong className="numbers">{chosen.length} ticked</strong>
      <Button size="small" disabled={out.length === 0} onClick={() => setDialog("due")}>
        <CalendarClock size={14} aria-hidden /> Due …
      </Button>
      <Button size="small" disabled={out.length === 0} onClick={() => setDialog("rules")}>
        <SlidersHorizontal size={14} aria-hidden /> Tries, checking, goals …
      </Button>
      <Button size="small" disabled={busy || out.length === 0} onClick={back}>
        <Undo2 size={14} aria-hidden /> Call back
      </Button>
      <span className="flex-1" />
      <Button size="small" look="quiet" onClick={onUntick}>
        Untick
      </Button>
      {dialog === "due" && <DueDialog works={out} zone={zone} now={now} onClose={() => setDialog(null)} />}
      {dialog === "rules" && <ManyRulesDialog works={out} onClose={() => setDialog(null)} />}
    </div>
  );
}
