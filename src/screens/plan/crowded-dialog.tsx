"use client";
import { ArrowRight } from "lucide-react";
import { useEffect, useState } from "react";
import { lookAtCrowded, moveDue } from "@/screens/acts/due";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { Notice } from "@/ui/notice";
import { usePlanActs } from "./use-plan-acts";

type Found = Extract<Awaited<ReturnType<typeof lookAtCrowded>>, { ok: true }>["value"];

/** Who has too much due on a day, and for each piece of work the nearest day on which nobody would have. */
export function CrowdedDialog({ date, day, onClose }: { date: string; day: string; onClose: () => void }) {
  const [found, setFound] = useState<Found | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [moved, setMoved] = useState(0);
  const { run, busy } = usePlanActs();
  useEffect(() => {
    let asked = true;
    void lookAtCrowded({ date }).then((outcome) => {
      if (!asked) return;
      if (outcome.ok) setFound(outcome.value);
      else setProblem(outcome.problem);
    });
    return () => {
      asked = false;
    };
  }, [date, moved]);
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={`Too much due on ${day}`}>
      {problem && <Notice tone="warning">{problem}</Notice>}
      {!found && !problem && <p className="text-ink-soft">One moment …</p>}
      {found && (
        <div className="grid gap-4">
          {found.children.length === 0 ? (
            <p>Nobody has three things or more due on this day any more.</p>
          ) : (
            <ul
              aria-label="Children"
              className="max-h-52 divide-y divide-line overflow-auto rounded-card border border-line"
            >
              {found.children.map(({ name, things }) => (
                <li key={name} className="px-3 py-1.5">
                  <span className="font-semibold">{name}</span>{" "}
                  <span className="text-[13px] text-ink-soft">
                    {things.join(" · ")}
                    {things.length < 3 && " · and more in other classes"}
                  </span>
                </li>
              ))}
            </ul>
          )}
          {found.works.length > 0 && (
            <ul aria-label="Work due then" className="grid gap-2">
              {found.works.map(({ id, title, className, to, toSaid }) => (
                <li key={id} className="flex items-center gap-3">
                  <span className="min-w-0 flex-1">
                    <span className="block truncate">{title}</span>
                    <span className="block text-[12px] text-ink-soft">{className}</span>
                  </span>
                  {to ? (
                    <Button
                      size="small"
                      disabled={busy}
                      aria-label={`${title}: due ${toSaid}`}
                      onClick={() =>
                        run(
                          () => moveDue({ assignment: id, date: to }),
                          ({ remarks }) => [`“${title}” is due ${toSaid} now.`, ...remarks].join(" "),
                          () => setMoved(moved + 1),
                        )
                      }
                    >
                      <ArrowRight size={14} aria-hidden /> due {toSaid}
                    </Button>
                  ) : (
                    <span className="text-[13px] text-ink-soft">No day of the term has room for it.</span>
                  )}
                </li>
              ))}
            </ul>
          )}
        </div>
      )}
      <div className="mt-5 flex justify-end">
        <Button onClick={onClose}>Done</Button>
      </div>
    </Dialog>
  );
}
