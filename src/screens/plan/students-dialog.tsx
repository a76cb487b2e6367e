"use client";
import { useState } from "react";
import { sayFactor } from "@/core/assign/extra-time";
import { sayMoment, toWallClock } from "@/core/calendar/say-moment";
import { addStudents, extendFor, removeStudent } from "@/screens/acts/assign";
import type { WorkDetails } from "@/server/work-details";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { TextInput } from "@/ui/field";
import { usePlanActs } from "./use-plan-acts";

/** Who gets a piece of work: add, take out, give one more time. */
export function StudentsDialog({
  details,
  zone,
  now,
  onClose,
}: {
  details: WorkDetails;
  zone: string;
  now: Date;
  onClose: () => void;
}) {
  const { assignment, recipients, others } = details;
  const [extending, setExtending] = useState<{ student: number; due: string } | null>(null);
  const { run, busy } = usePlanActs();
  const id = assignment.id;
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={`Who gets “${assignment.title}”`}>
      <ul className="max-h-80 divide-y divide-line overflow-auto rounded-card border border-line">
        {recipients.map((one) => (
          <li key={one.student} className="flex flex-wrap items-center gap-2 px-3 py-1.5">
            <span className="min-w-0 flex-1">
              <span className="block truncate">{one.name}</span>
              <span className="block text-[12px] text-ink-soft">
                {[
                  one.title === assignment.title ? null : `“${one.title}”`,
                  one.factor === 1 ? null : sayFactor[one.factor],
                  one.ownDue && `due ${sayMoment(one.ownDue, zone, now)}`,
                  one.begun ? "has begun" : null,
                ]
                  .filter(Boolean)
                  .join(" · ")}
              </span>
            </span>
            {extending?.student === one.student ? (
              <>
                <TextInput
                  type="datetime-local"
                  aria-label={`Due for ${one.name}`}
                  className="!w-56"
                  value={extending.due}
                  onChange={(event) => setExtending({ student: one.student, due: event.target.value })}
                />
                <Button
                  size="small"
                  look="main"
                  disabled={busy}
                  onClick={() =>
                    run(
                      () => extendFor({ assignment: id, student: one.student, due: extending.due }),
                      () => `${one.name} has more time.`,
                      () => setExtending(null),
                    )
                  }
                >
                  Keep
                </Button>
              </>
            ) : (
              <>
                <Button
                  size="small"
                  aria-label={`More time for ${one.name}`}
                  onClick={() =>
                    setExtending({ student: one.student, due: toWallClock(one.ownDue ?? assignment.due, zone) })
                  }
                >
                  More time …
                </Button>
                {!one.begun && (
                  <Button
                    size="small"
                    look="quiet"
                    disabled={busy}
                    aria-label={`Take out ${one.name}`}
                    onClick={() =>
                      run(
                        () => removeStudent({ assignment: id, student: one.student }),
                        () => `${one.name} does not have it any more.`,
                      )
                    }
                  >
                    Take out
                  </Button>
                )}
              </>
            )}
          </li>
        ))}
      </ul>
      {others.length > 0 && (
        <div className="mt-4">
          <p className="mb-1 text-[13px] text-ink-soft">Not yet</p>
          <div className="flex flex-wrap gap-1.5">
            {others.map((one) => (
              <Button
                key={one.id}
                size="small"
                disabled={busy}
                aria-label={`Give it to ${one.name}`}
                onClick={() =>
                  run(
                    () => addStudents({ assignment: id, students: [one.id] }),
                    () => `${one.name} has it too.`,
                  )
                }
              >
                + {one.name}
              </Button>
            ))}
          </div>
        </div>
      )}
      <div className="mt-5 flex justify-end">
        <Button onClick={onClose}>Done</Button>
      </div>
    </Dialog>
  );
}
