"use client";
import { addStudents } from "@/screens/acts/assign";
import type { WorkDetails } from "@/server/assign/work-details";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { StudentRow } from "./student-row";
import { usePlanActs } from "./use-plan-acts";

/** Who gets a piece of work: add, take out, another version or more time for one. */
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
  const { run, busy } = usePlanActs();
  const id = assignment.id;
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={`Who gets “${assignment.title}”`}>
      <ul className="max-h-[26rem] divide-y divide-line overflow-auto rounded-card border border-line">
        {recipients.map((one) => (
          <StudentRow key={one.student} {...{ details, zone, now }} student={one} />
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
                aria-label={`Assign it to ${one.name}`}
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
