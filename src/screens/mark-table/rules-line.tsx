"use client";
import { useRouter } from "next/navigation";
import type { MarkRules } from "@/core/results/mark-table";
import { changeMarkRules } from "@/screens/acts/mark-table";
import { BlankSelect } from "@/ui/blank-select";
import { tell, tellProblem } from "@/ui/toast";

const lowest = ["nothing", "the lowest", "the two lowest", "the three lowest", "the four lowest", "the five lowest"];

/** How marks come to a total, as a sentence with blanks. All teachers of the class share it. */
export function RulesLine({ group, rules }: { group: number; rules: MarkRules }) {
  const router = useRouter();
  const change = async (next: MarkRules, undone = false) => {
    const outcome = await changeMarkRules({ class: group, rules: next });
    if (!outcome.ok) return tellProblem(outcome.problem);
    if (!undone) tell("Changed how the total is worked out.", () => void change(outcome.value.before, true));
    router.refresh();
  };
  return (
    <p className="text-[14px]">
      Each piece of work counts{" "}
      <BlankSelect
        name="What counts"
        value={rules.by}
        options={[
          { value: "work", text: "the same, by its weight" },
          { value: "marks", text: "by the marks it is worth" },
        ]}
        onChange={(by) => void change({ ...rules, by })}
      />
      ; of each child{" "}
      <BlankSelect
        name="Left out"
        value={String(rules.lowest)}
        options={lowest.map((text, at) => ({ value: String(at), text }))}
        onChange={(value) => void change({ ...rules, lowest: Number(value) })}
      />{" "}
      is left out; what was not handed in{" "}
      <BlankSelect
        name="Not handed in"
        value={rules.missing}
        options={[
          { value: "left out", text: "is left out as well" },
          { value: "nothing", text: "counts as no marks" },
        ]}
        onChange={(missing) => void change({ ...rules, missing })}
      />
      .
    </p>
  );
}
