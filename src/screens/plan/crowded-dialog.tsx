"use client";
import { ArrowRight } from "lucide-react";
import { useEffect, useState } from "react";
import { CROWDED } from "@/core/plan/way-out";
import { changeForStudent } from "@/screens/acts/afterwards";
import { lookAtCrowded, moveDue } from "@/screens/acts/due";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { Notice } from "@/ui/notice";
import { usePlanActs } from "./use-plan-acts";

type Found = Extract<Awaited<ReturnType<typeof lookAtCrowded>>, { ok: true }>["value"];

/** The day that is offered, or that there is none. */
function Way({
  busy,
  name,
  toSaid,
  onMove,
}: {
  busy: boolean;
  name: string;
  toSaid: string | null;
  onMove: () => void;
}) {
  if (!toSaid) return <span className="text-[13px] text-ink-soft">No day this term has room for it.</span>;
  return (
    <Button size="small" disabled={busy} aria-label={`${name}: due ${toSaid}`} onClick={onMove}>
      <ArrowRight size={14} aria-hidden /> due {toSaid}
    </Button>
  );
}

/** Who has too much due on a day, and for each piece of work the nearest day on which nobody would have. */
export function CrowdedDialog({ date, day, onClose }: { date: string; day: string; onClose: () => void }) {
  const [found, setFound] = useState<Found | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [moved, setMoved] = useState(0);
  const { run, busy } = usePlanActs();
  const again = () => setMoved((times) => times + 1);
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
            <p>No one has three or more things due on this day any more.</p>
          ) : (
            <ul
              aria-label="Children"
              className="max-h-52 divide-y divide-line overflow-auto rounded-card border border-line"
            >
              {found.children.map(({ name, things }) => (
                <li key={name} className="px-3 py-1.5">
                  <span className="font-semibold">{name}</span>{" "}
                  <span className="text-[13px] text-ink-soft">
                    {[...things, ...(things.length < CROWDED ? ["more in other classes"] : [])].join(" · ")}
                  </span>
                </li>
              ))}
            </ul>
          )}
          {found.children.length > 0 && found.works.length + found.alone.length === 0 && (
            <p>All of it was due already: there is nothing left to move.</p>
          )}
          {found.works.length + found.alone.length > 0 && (
            <ul aria-label="Work due then" className="grid gap-2">
              {found.works.map(({ id, title, className, to, toSaid }) => (
                <li key={id} className="flex items-center gap-3">
                  <span className="min-w-0 flex-1">
                    <span className="block truncate">{title}</span>
                    <span className="block text-[12px] text-ink-soft">{className}</span>
                  </span>
                  <Way
                    busy={busy}
                    name={title}
                    toSaid={toSaid}
                    onMove={() =>
                      run(
                        () => moveDue({ assignment: id, date: to! }),
                        ({ remarks }) => [`“${title}” is due ${toSaid} now.`, ...remarks].join(" "),
                        again,
                      )
                    }
                  />
                </li>
              ))}
              {found.alone.map(({ assignment, student, name, title, resource, factor, due, toSaid }) => (
                <li key={`${assignment} ${student}`} className="flex items-center gap-3">
                  <span className="min-w-0 flex-1">
                    <span className="block truncate">{title}</span>
                    <span className="block text-[12px] text-ink-soft">{name} alone, who has more time</span>
                  </span>
                  <Way
                    busy={busy}
                    name={`${title} for ${name}`}
                    toSaid={toSaid}
                    onMove={() =>
                      run(
                        () => changeForStudent({ assignment, student, resource, factor, due: due! }),
                        () => `“${title}” is due ${toSaid} for ${name} now.`,
                        again,
                      )
                    }
                  />
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
