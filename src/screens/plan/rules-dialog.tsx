"use client";
import { useEffect, useState } from "react";
import type { Rules } from "@/core/assign/afterwards";
import { plainForm } from "@/core/assign/plain-form";
import type { Assignment } from "@/data/assignments";
import { changeRules, lookAtRules, rulesFor } from "@/screens/acts/afterwards";
import type { Audience } from "@/server/audience";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { Notice } from "@/ui/notice";
import { MoreFields } from "../assign/more-fields";
import { usePlanActs } from "./use-plan-acts";

const PAUSE_MS = 200;

/** What the change does to answers, asked anew a moment after each change; null while it is not known. */
function useEffects(assignment: number, rules: Rules | null): string[] | null {
  const wanted = JSON.stringify(rules);
  const [found, setFound] = useState<{ wanted: string; effects: string[] } | null>(null);
  useEffect(() => {
    const asked = JSON.parse(wanted) as Rules | null;
    if (!asked) return;
    let waiting = true;
    const timer = setTimeout(async () => {
      const outcome = await lookAtRules({ assignments: [assignment], rules: asked });
      if (waiting && outcome.ok) setFound({ wanted, effects: outcome.value.effects });
    }, PAUSE_MS);
    return () => {
      waiting = false;
      clearTimeout(timer);
    };
  }, [assignment, wanted]);
  return found?.wanted === wanted ? found.effects : null;
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
  const differs = found !== null && JSON.stringify({ ...found.rules, ...changed }) !== JSON.stringify(found.rules);
  const effects = useEffects(assignment.id, differs ? rules : null);
  const save = () =>
    run(
      () => changeRules({ assignments: [assignment.id], rules: rules! }),
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
          onChange={({ tries, keep, checking, goals, openDays, stepWork }) =>
            setChanged((old) => ({
              ...old,
              ...(tries !== undefined && { tries }),
              ...(keep && { keep }),
              ...(checking && { checking }),
              ...(goals && { goals }),
              ...(openDays !== undefined && { openDays }),
              ...(stepWork && { stepWork }),
            }))
          }
        />
      )}
      <div className="sticky -bottom-6 -mx-6 mt-4 -mb-6 border-t border-line bg-card px-6 pt-3 pb-5">
        {differs && (
          <div
            className="mb-3 max-h-32 overflow-auto rounded-card bg-shade px-3 py-2 text-[14px]"
            role="status"
            aria-label="What it does"
          >
            {effects === null ? (
              <p className="text-ink-soft">One moment …</p>
            ) : effects.length === 0 ? (
              <p>No answers are touched.</p>
            ) : (
              <ul className="grid gap-1">
                {effects.map((text) => (
                  <li key={text}>{text}</li>
                ))}
              </ul>
            )}
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
