"use client";
import { Check, Target } from "lucide-react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { formatDay } from "@/core/calendar/format-moment";
import { formatCriterion, standingOf, type Criterion, type Point } from "@/core/results/progress";
import type { StudentGoal } from "@/data/plan/plan";
import { Button } from "@/ui/button";
import { inputClasses } from "@/ui/field";
import { tell, tellProblem } from "@/ui/toast";
import { setGoalCriterion } from "../acts/goals";
import { useOnce } from "../use-once";

const usual: Criterion = { share: 0.8, times: 3 };

/** As it stands in the fields: what is typed there may be no number yet. */
const typed = ({ share, times }: Criterion) => ({ ofTen: String(Math.round(share * 100) / 10), times: String(times) });

/** A goal of a child's own: when it counts as met, and how far she is. */
export function GoalCard({
  goal,
  points,
  group,
  zone,
  now,
}: {
  goal: StudentGoal;
  /** Results tracked under it. */
  points: readonly Point[];
  group: number;
  zone: string;
  now: Date;
}) {
  const router = useRouter();
  const [busy, once] = useOnce();
  const [editing, setEditing] = useState<{ ofTen: string; times: string } | null>(null);
  const { criterion } = goal;
  const standing = criterion && standingOf(points, criterion);
  const set = (next: Criterion | null, back: boolean) =>
    once(async () => {
      const outcome = await setGoalCriterion({ class: group, student: goal.student, goal: goal.id, criterion: next });
      if (!outcome.ok) return tellProblem(outcome.problem);
      setEditing(null);
      router.refresh();
      if (!back)
        tell(next ? `It counts as met at ${formatCriterion(next)}.` : "No criterion any more.", () =>
          set(criterion, true),
        );
    });
  return (
    <li className="rounded-card border border-line bg-card p-3 text-[13px]">
      <h3 className="flex items-start gap-2 text-[14px] font-semibold">
        <Target size={16} aria-hidden className="mt-0.5 shrink-0" /> {goal.goal}
        <span className="numbers shrink-0 font-normal whitespace-nowrap text-ink-soft">{goal.year}</span>
      </h3>
      {standing && criterion && (
        <p className="mt-1">
          {formatCriterion(criterion)}:{" "}
          {standing.met ? (
            <strong className="inline-flex items-center gap-1 text-green">
              <Check size={14} aria-hidden /> met on {formatDay(standing.met, zone, now)}
            </strong>
          ) : (
            <strong>
              {standing.running} of {criterion.times} so far
            </strong>
          )}
        </p>
      )}
      <p className="numbers mt-1 text-ink-soft">
        {points.length === 0
          ? "No results yet. Track work under it when you assign it."
          : `${points.length} ${points.length === 1 ? "result" : "results"}: ${points.map(({ gained, outOf }) => `${gained} of ${outOf}`).join(", ")}`}
      </p>
      {editing ? (
        <form
          className="mt-2 flex flex-wrap items-center gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            set({ share: Number(editing.ofTen) / 10, times: Number(editing.times) }, false);
          }}
        >
          Met at
          <input
            type="number"
            aria-label="How many of 10"
            min={0.5}
            max={10}
            step={0.5}
            required
            autoFocus
            className={`${inputClasses} !w-16`}
            value={editing.ofTen}
            onChange={(event) => setEditing({ ...editing, ofTen: event.target.value })}
          />
          of 10,
          <input
            type="number"
            aria-label="How often running"
            min={1}
            max={10}
            required
            className={`${inputClasses} !w-16`}
            value={editing.times}
            onChange={(event) => setEditing({ ...editing, times: event.target.value })}
          />
          times running
          <Button type="submit" size="small" disabled={busy}>
            Save
          </Button>
          {criterion && (
            <Button size="small" look="quiet" disabled={busy} onClick={() => set(null, false)}>
              Remove
            </Button>
          )}
          <Button size="small" look="quiet" onClick={() => setEditing(null)}>
            Cancel
          </Button>
        </form>
      ) : (
        <Button size="small" className="not-printed mt-2" onClick={() => setEditing(typed(criterion ?? usual))}>
          {criterion ? "Change …" : "Set when it is met …"}
        </Button>
      )}
    </li>
  );
}
