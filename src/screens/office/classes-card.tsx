"use client";
import { Plus } from "lucide-react";
import { useState } from "react";
import type { ClassSaid } from "@/core/roster/class-said";
import type { Class } from "@/data/classes/classes";
import type { PastClass } from "@/data/classes/class-said";
import { changeClassAtOffice, makeClassAtOffice } from "@/screens/acts/class-said";
import { archiveClass } from "@/screens/acts/office";
import { formatGradeSpan } from "@/core/content/grade";
import { Button } from "@/ui/button";
import { Field } from "@/ui/field";
import { ClassDialog } from "../classes/class-dialog";
import { PersonSelect } from "./person-select";
import { useKeep } from "./use-keep";

/** The school's classes: what is said of each, a new one by hand, and those of past years. */
export function ClassesCard({
  classes,
  said,
  past,
  adults,
}: {
  classes: readonly Class[];
  said: Record<number, ClassSaid>;
  past: readonly PastClass[];
  adults: readonly { id: number; name: string }[];
}) {
  const [open, setOpen] = useState<Class | "new" | null>(null);
  const [lead, setLead] = useState(adults[0]?.id ?? -1);
  const { notice, busy, keep } = useKeep();
  return (
    <section aria-labelledby="classes" className="rounded-card border border-line bg-card p-5">
      <div className="mb-2 flex items-center gap-3">
        <h2 id="classes" className="flex-1 font-semibold">
          Classes
        </h2>
        <Button size="small" onClick={() => setOpen("new")}>
          <Plus size={14} aria-hidden /> New class
        </Button>
      </div>
      <ul className="divide-y divide-line">
        {classes.map((one) => (
          <li key={one.id} className="flex items-center gap-2 py-1.5">
            <span className="min-w-0 flex-1">
              {one.name}{" "}
              <span className="text-[13px] text-ink-soft">
                {one.subject} · {one.gradeFrom === one.gradeTo ? "grade" : "grades"}{" "}
                {formatGradeSpan({ from: one.gradeFrom, to: one.gradeTo })} · {one.students} students
              </span>
            </span>
            <Button size="small" look="quiet" aria-label={`Change ${one.name}`} onClick={() => setOpen(one)}>
              Change …
            </Button>
          </li>
        ))}
      </ul>
      {notice}
      {past.length > 0 && (
        <details className="mt-3">
          <summary className="cursor-pointer text-[13px] text-ink-soft">Put away ({past.length})</summary>
          <ul className="mt-1 divide-y divide-line">
            {past.map((one) => (
              <li key={one.id} className="flex items-center gap-2 py-1.5">
                <span className="min-w-0 flex-1">
                  {one.name} <span className="text-[13px] text-ink-soft">{one.year}</span>
                </span>
                <Button
                  size="small"
                  look="quiet"
                  disabled={busy}
                  aria-label={`Bring ${one.name} back`}
                  onClick={() =>
                    keep(
                      () => archiveClass({ ofClass: one.id, archived: false }),
                      () => `${one.name} is back.`,
                    )
                  }
                >
                  Bring back
                </Button>
              </li>
            ))}
          </ul>
        </details>
      )}
      {open && (
        <ClassDialog
          title={open === "new" ? "A new class" : open.name}
          {...(open !== "new" && { said: said[open.id]! })}
          onKeep={(next) =>
            open === "new"
              ? makeClassAtOffice({ said: next, lead })
              : changeClassAtOffice({ ofClass: open.id, said: next })
          }
          onClose={() => setOpen(null)}
        >
          {open === "new" && (
            <Field label="Who leads it">
              {(control) => <PersonSelect {...control} people={adults} value={lead} onPerson={setLead} />}
            </Field>
          )}
        </ClassDialog>
      )}
    </section>
  );
}
