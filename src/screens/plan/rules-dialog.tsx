"use client";
import { useEffect, useState } from "react";
import type { Rules } from "@/core/assign/afterwards";
import { plainForm } from "@/core/assign/plain-form";
import type { Assignment } from "@/data/assign/assignments";
import { changeRules, lookAtRules, rulesFor } from "@/screens/acts/afterwards";
import type { Audience } from "@/server/assign/audience";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { Notice } from "@/ui/notice";
import { MoreFields } from "../assign/more-fields";
import { useLooked, type Looked } from "../use-looked";
import { usePlanActs } from "./use-plan-acts";

/** What a change does to answers, as far as it is known. */
export function Effects({ looked }: { looked: Looked<{ effects: string[] }> }) {
  const { value, problem, fresh } = looked;
  return (
    <div
      className="max-h-40 overflow-auto rounded-card bg-shade px-3 py-2 text-[14px]"
      role="status"
      aria-label="What changes"
    >
      {!fresh ? (
        <p className="text-ink-soft">One moment …</p>
      ) : problem ? (
        <p>{problem}</p>
      ) : value!.effects.length === 0 ? (
        <p>No answers change.</p>
      ) : (
        <ul className="grid gap-1">
          {value!.effects.map((text) => (
            <li key={text}>{text}</li>
          ))}
        </ul>
      )}
    </div>
  );
}

/** How a piece of work is done: tries, what counts, checking, step work, days, goals. What it does to answers is said first. */
export function RulesDialog({ assignment, now, onClose }: { assignment: Assignment; now: Date; onClose: () => void }) {
  const [found, setFound] = useState<{ audience: Audience; students: number[]; rules: Rules } | null>(null);
  const [changed, setChanged] = useState<Partial<Rules>>({});
  const [problem, setProblem] = useState<string | null>(null);
  const { run, busy } = usePlanActs();
  useEffect(() => {
    void rulesFor({ assignment: assignment.id }).then((outcome) =>
      outcome.ok ? setFound(outcome.value) : setProblem(outcome.problem),
    );
  }, [assignment.id]);
  const rules = found && { ...found.rules, ...changed };
  // Only what she changed is sent: what somebody else changed meanwhile stays.
  const differing = found
    ? Object.entries(changed).filter(
        ([rule, value]) => JSON.stringify(value) !== JSON.stringify(found.rules[rule as keyof Rules]),
      )
    : [];
  const differs = differing.length > 0;
  const change = { assignments: [assignment.id], rules: Object.fromEntries(differing) as Partial<Rules> };
  const looked = useLooked(lookAtRules, differs ? change : null);
  const save = () =>
    run(
      () => changeRules(change),
      () => "Changed.",
      onClose,
      setProblem,
    );
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={`How “${assignment.title}” is done`} wide>
      {problem && (
        <Notice tone="warning" className="mb-3">
          {problem}
        </Notice>
      )}
      {!found && !problem && <p className="text-ink-soft">One moment …</p>}
      {found && rules && (
        <MoreFields
          audience={found.audience}
          form={plainForm(
            { resources: [assignment.resource], to: [{ class: assignment.class, students: found.students }] },
            rules,
          )}
          now={now}
          timesElsewhere
          onChange={({ tries, keep, checking, goals, openDays, stepWork, sharing }) =>
            setChanged((old) => ({
              ...old,
              ...(tries !== undefined && { tries }),
              ...(keep && { keep }),
              ...(checking && { checking }),
              ...(goals && { goals }),
              ...(openDays !== undefined && { openDays }),
              ...(stepWork && { stepWork }),
              ...(sharing && { sharing }),
            }))
          }
        />
      )}
      <div className="sticky -bottom-6 -mx-6 mt-4 -mb-6 border-t border-line bg-card px-6 pt-3 pb-5">
        {differs && (
          <div className="mb-3">
            <Effects looked={looked} />
          </div>
        )}
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button look="main" disabled={busy || !differs} onClick={save}>
            Save
          </Button>
        </div>
      </div>
    </Dialog>
  );
}
