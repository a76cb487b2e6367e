"use client";
import { useRouter } from "next/navigation";
import { useOptimistic, useTransition } from "react";
import type { MarkRules } from "@/core/results/mark-table";
import { changeMarkRules } from "@/screens/acts/mark-table";
import { BlankSelect } from "@/ui/blank-select";
import { tell, tellProblem } from "@/ui/toast";

const lowest = [
  "no results",
  "the lowest result",
  "the two lowest results",
  "the three lowest results",
  "the four lowest results",
  "the five lowest results",
];

/** How marks come to a total, as sentences with blanks. All teachers of the class share it. */
export function RulesLine({ group, rules }: { group: number; rules: MarkRules }) {
  const router = useRouter();
  // Shown at once: the table follows when it is worked out again.
  const [shown, setShown] = useOptimistic(rules, (now, change: Partial<MarkRules>) => ({ ...now, ...change }));
  const [, start] = useTransition();
  const change = (next: Partial<MarkRules>, undone = false) =>
    start(async () => {
      setShown(next);
      const outcome = await changeMarkRules({ class: group, rules: next });
      if (!outcome.ok) return tellProblem(outcome.problem);
      const { before } = outcome.value;
      // Only what was changed here is put back.
      const back = Object.fromEntries(Object.keys(next).map((name) => [name, before[name as keyof MarkRules]]));
      if (!undone) tell("Changed how the total is worked out.", () => change(back, true));
      router.refresh();
    });
  return (
    <p className="text-[14px]">
      Each piece of work counts{" "}
      <BlankSelect
        name="What counts"
        value={shown.by}
        options={[
          { value: "work", text: "the same, times its weight" },
          { value: "marks", text: "by its marks, times its weight" },
        ]}
        onChange={(by) => change({ by })}
      />
      . For each child, leave out{" "}
      <BlankSelect
        name="Left out"
        value={String(shown.lowest)}
        options={lowest.map((text, at) => ({ value: String(at), text }))}
        onChange={(value) => change({ lowest: Number(value) })}
      />
      . Work that was not handed in{" "}
      <BlankSelect
        name="Not handed in"
        value={shown.missing}
        options={[
          { value: "left out", text: "is left out" },
          { value: "nothing", text: "counts as zero" },
        ]}
        onChange={(missing) => change({ missing })}
      />
      .
    </p>
  );
}
