"use client";
import { useState } from "react";
import type { Rules } from "@/core/assign/afterwards";
import type { Assignment } from "@/data/assign/assignments";
import { changeRules, lookAtRules } from "@/screens/acts/afterwards";
import { Button } from "@/ui/button";
import { ChoiceField } from "@/ui/choice-field";
import { Dialog } from "@/ui/dialog";
import { Field, TextInput } from "@/ui/field";
import { Notice } from "@/ui/notice";
import { useLooked } from "../use-looked";
import { Effects } from "./rules-dialog";
import { usePlanActs } from "./use-plan-acts";

const asIs = { value: "", text: "leave as it is" };
const tries = [
  asIs,
  { value: "1", text: "once" },
  { value: "2", text: "twice" },
  { value: "3", text: "3 times" },
  { value: "any", text: "freely" },
];
const keeps = [
  asIs,
  { value: "best", text: "the best" },
  { value: "last", text: "the last" },
  { value: "first", text: "the first" },
];
const checkings = [
  asIs,
  { value: "at once", text: "at once" },
  { value: "at the end", text: "at the end" },
  { value: "after due", text: "after the due date" },
  { value: "never", text: "never" },
];

/** Tries, what counts, checking and goals of several pieces of work; what is left as it is stays different in each. */
export function ManyRulesDialog({ works, onClose }: { works: readonly Assignment[]; onClose: () => void }) {
  const [form, setForm] = useState({ tries: "", keep: "", checking: "", add: "", remove: "" });
  const [problem, setProblem] = useState<string | null>(null);
  const { run, busy } = usePlanActs();
  const goals = [...new Set(works.flatMap((work) => work.goals))].sort((one, other) => one.localeCompare(other));
  const change = {
    assignments: works.map(({ id }) => id),
    rules: {
      ...(form.tries && { tries: form.tries === "any" ? null : Number(form.tries) }),
      ...(form.keep && { keep: form.keep as Rules["keep"] }),
      ...(form.checking && { checking: form.checking as Rules["checking"] }),
    },
    addGoals: form.add.trim() ? [form.add.trim()] : [],
    removeGoals: form.remove ? [form.remove] : [],
  };
  const differs = Object.values(form).some((value) => value.trim() !== "");
  const looked = useLooked(lookAtRules, differs ? change : null);
  const choice = (label: string, field: keyof typeof form, options: readonly { value: string; text: string }[]) => (
    <ChoiceField
      label={label}
      value={form[field]}
      options={options.map(({ value, text }) => [value, text])}
      onChoose={(value) => setForm({ ...form, [field]: value })}
    />
  );
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={`How these ${works.length} are done`}>
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          run(
            () => changeRules(change),
            ({ changed }) => `${changed} changed.`,
            onClose,
            setProblem,
          );
        }}
      >
        <div className="grid gap-3 sm:grid-cols-3">
          {choice("Tries", "tries", tries)}
          {choice("What counts", "keep", keeps)}
          {choice("Checked", "checking", checkings)}
        </div>
        <div className="grid gap-3 sm:grid-cols-2">
          <Field label="Add a goal">
            {(control) => (
              <TextInput
                {...control}
                maxLength={60}
                value={form.add}
                onChange={(event) => setForm({ ...form, add: event.target.value })}
              />
            )}
          </Field>
          {choice("Take out a goal", "remove", [
            { value: "", text: "none" },
            ...goals.map((goal) => ({ value: goal, text: goal })),
          ])}
        </div>
        {problem && <Notice tone="warning">{problem}</Notice>}
        {differs && <Effects looked={looked} />}
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button look="main" type="submit" disabled={busy || !differs}>
            Save
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
