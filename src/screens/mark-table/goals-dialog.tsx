"use client";
import { useRouter } from "next/navigation";
import { useEffect, useRef, useState } from "react";
import type { UsedGoal } from "@/data/assign/goal-tags";
import { endGoal, lookAtGoals, renameGoalTag, renameGoalTagBack } from "@/screens/acts/goal-tags";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { TextInput } from "@/ui/field";
import { Notice } from "@/ui/notice";
import { tell, tellProblem } from "@/ui/toast";

/** One goal: its name can be typed over, and it can be ended. */
function GoalLine({
  goal,
  others,
  onRename,
  onEnd,
}: {
  goal: UsedGoal;
  others: readonly string[];
  onRename: (to: string) => void;
  onEnd: (ended: boolean) => void;
}) {
  const [name, setName] = useState(goal.tag);
  const to = name.trim();
  const merges = others.includes(to);
  return (
    <li className="grid gap-1 py-2">
      <form
        className="flex items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (to && to !== goal.tag) onRename(to);
        }}
      >
        <TextInput
          aria-label={`Name of ${goal.tag}`}
          maxLength={60}
          value={name}
          onChange={(event) => setName(event.target.value)}
          className="flex-1"
        />
        <span className="numbers text-right text-[13px] whitespace-nowrap text-ink-soft">
          {goal.works} {goal.works === 1 ? "piece" : "pieces"} of work
        </span>
        {to !== goal.tag && to ? (
          <Button type="submit" size="small" className="w-24">
            {merges ? "Merge" : "Rename"}
          </Button>
        ) : (
          <Button size="small" className="w-24" onClick={() => onEnd(!goal.ended)}>
            {goal.ended ? "Use again" : "End"}
          </Button>
        )}
      </form>
      {merges && to !== goal.tag && (
        <p className="text-[13px] text-ink-soft">Results of both are then collected under “{to}”.</p>
      )}
      {goal.ended && to === goal.tag && (
        <p className="text-[13px] text-ink-soft">Ended: it is no longer offered. Its results stay.</p>
      )}
    </li>
  );
}

/** The goals that work is tracked under: renamed, merged, ended at the end of a year. */
export function GoalsDialog({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const [goals, setGoals] = useState<readonly UsedGoal[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [changes, setChanges] = useState(0);
  const busy = useRef(false);
  useEffect(() => {
    let asked = true;
    void lookAtGoals({}).then((outcome) => {
      if (!asked) return;
      if (outcome.ok) setGoals(outcome.value.goals);
      else setProblem(outcome.problem);
    });
    return () => {
      asked = false;
    };
  }, [changes]);
  const again = () => {
    setChanges((times) => times + 1);
    router.refresh();
  };
  const rename = async (from: string, to: string) => {
    // Enter pressed twice renames once.
    if (busy.current) return;
    busy.current = true;
    const outcome = await renameGoalTag({ from, to }).finally(() => (busy.current = false));
    if (!outcome.ok) return setProblem(outcome.problem);
    const { renamed, merged } = outcome.value;
    tell(`“${from}” is “${to}” now.`, () => {
      void renameGoalTagBack({ from, to, renamed, merged }).then((back) => {
        if (!back.ok) tellProblem(back.problem);
        again();
      });
    });
    again();
  };
  const end = async (tag: string, ended: boolean) => {
    const outcome = await endGoal({ tag, ended });
    if (!outcome.ok) return setProblem(outcome.problem);
    again();
  };
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="Goals">
      {problem && <Notice tone="warning">{problem}</Notice>}
      {!goals && !problem && <p className="text-ink-soft">One moment …</p>}
      {goals?.length === 0 && (
        <p>No work is tracked under a goal yet. Add one where you assign work, under “How often …”.</p>
      )}
      {goals && goals.length > 0 && (
        <>
          <p className="text-[13px] text-ink-soft">
            Type over a name to change it everywhere. One child’s own goals are changed under Classes.
          </p>
          <ul aria-label="Goals" className="mt-1 divide-y divide-line">
            {goals.map((goal) => (
              <GoalLine
                key={goal.tag}
                goal={goal}
                others={goals.filter(({ tag }) => tag !== goal.tag).map(({ tag }) => tag)}
                onRename={(to) => void rename(goal.tag, to)}
                onEnd={(ended) => void end(goal.tag, ended)}
              />
            ))}
          </ul>
        </>
      )}
      <div className="mt-5 flex justify-end">
        <Button onClick={onClose}>Done</Button>
      </div>
    </Dialog>
  );
}
