"use client";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import { factors } from "@/core/assign/extra-time";
import type { Class, Student } from "@/data/classes/classes";
import type { StudentGoal } from "@/data/plan/plan";
import { changeStudent } from "@/screens/acts/roster";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Dialog } from "@/ui/dialog";
import { Field, inputClasses, TextInput } from "@/ui/field";
import { Notice } from "@/ui/notice";
import { tell } from "@/ui/toast";
import { GradeSelect } from "../find/grade-select";

type Factor = (typeof factors)[number];

/** What is known of one student to plan for her; only her teachers see it. */
export function StudentDialog({
  group,
  student,
  goals: had,
  onClose,
}: {
  group: Class;
  student: Student;
  goals: readonly StudentGoal[];
  onClose: () => void;
}) {
  const [grade, setGrade] = useState(student.grade);
  const [reads, setReads] = useState(student.readingGrade === null ? "" : String(student.readingGrade));
  const [factor, setFactor] = useState(student.factor as Factor);
  const [aloud, setAloud] = useState(student.readsAloud);
  const [languages, setLanguages] = useState(student.languages.join(", "));
  const [home, setHome] = useState(student.familyLanguage ?? "");
  const [signsIn, setSignsIn] = useState(student.signInName);
  const [goal, setGoal] = useState("");
  const [goals, setGoals] = useState(() => had.map((one) => ({ ...one, closed: one.closed !== null })));
  const put = (id: number, change: { goal?: string; closed?: boolean }) =>
    setGoals(goals.map((one) => (one.id === id ? { ...one, ...change } : one)));
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const router = useRouter();
  const keep = () =>
    start(async () => {
      const outcome = await changeStudent({
        class: group.id,
        students: [student.id],
        facts: {
          grade,
          readingGrade: reads.trim() === "" ? null : Number(reads.replace(",", ".")),
          factor,
          readsAloud: aloud,
          languages: languages
            .split(",")
            .map((tag) => tag.trim())
            .filter(Boolean),
          familyLanguage: home.trim() || null,
        },
        ...(signsIn.trim() !== student.signInName && { signInName: signsIn }),
        goal,
        goals: goals.map(({ id, goal: text, closed }) => ({ id, goal: text, closed })),
      });
      if (!outcome.ok) return setProblem(outcome.problem);
      onClose();
      router.refresh();
      tell(`Saved for ${student.givenName}.`);
    });
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={`${student.givenName} ${student.familyName}`}>
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          keep();
        }}
      >
        <div className="grid grid-cols-3 gap-4">
          <Field label="Grade">
            {(control) => <GradeSelect {...control} value={grade} open="not said" onGrade={setGrade} />}
          </Field>
          <Field label="Reads at grade">
            {(control) => (
              <TextInput
                {...control}
                inputMode="decimal"
                value={reads}
                placeholder="4.5"
                onChange={(event) => setReads(event.target.value)}
              />
            )}
          </Field>
          <Field label="Time">
            {(control) => (
              <select
                {...control}
                className={inputClasses}
                value={factor}
                onChange={(event) => setFactor(Number(event.target.value) as Factor)}
              >
                {factors.map((one) => (
                  <option key={one} value={one}>
                    {one === 1 ? "as planned" : `${one} × as long`}
                  </option>
                ))}
              </select>
            )}
          </Field>
        </div>
        <div className="grid grid-cols-2 gap-4">
          <Field label="Reads in (en, es …)">
            {(control) => (
              <TextInput {...control} value={languages} onChange={(event) => setLanguages(event.target.value)} />
            )}
          </Field>
          <Field label="Language of the letter home">
            {(control) => <TextInput {...control} value={home} onChange={(event) => setHome(event.target.value)} />}
          </Field>
        </div>
        <Field label="Signs in as" help="The password stays. Print a new card when you change the name.">
          {(control) => (
            <TextInput
              {...control}
              maxLength={40}
              autoCapitalize="none"
              value={signsIn}
              onChange={(event) => setSignsIn(event.target.value)}
            />
          )}
        </Field>
        <label className="flex items-center gap-2">
          <Checkbox label="Has text read aloud" checked={aloud} onChange={setAloud} /> Has text read aloud
        </label>
        {goals.length > 0 && (
          <ul aria-label="Goals" className="grid gap-1.5">
            {goals.map((one) => (
              <li key={one.id} className="flex items-center gap-2">
                <TextInput
                  aria-label={`Goal of ${one.year}`}
                  maxLength={120}
                  value={one.goal}
                  className={one.closed ? "text-ink-soft line-through" : undefined}
                  onChange={(event) => put(one.id, { goal: event.target.value })}
                />
                <span className="numbers text-[13px] text-ink-soft">{one.year}</span>
                <label className="flex items-center gap-1.5 whitespace-nowrap">
                  <Checkbox
                    label={`“${one.goal}” is closed`}
                    checked={one.closed}
                    onChange={(closed) => put(one.id, { closed })}
                  />
                  closed
                </label>
              </li>
            ))}
          </ul>
        )}
        <Field
          label="Add a personal goal for this year"
          help="Suggested as a goal tag when you assign to this student, and never for anyone else."
        >
          {(control) => (
            <TextInput {...control} maxLength={120} value={goal} onChange={(event) => setGoal(event.target.value)} />
          )}
        </Field>
        {problem && <Notice tone="warning">{problem}</Notice>}
        <p className="text-[13px] text-ink-soft">Only the teachers of {group.name} see this.</p>
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button look="main" type="submit" disabled={busy}>
            Keep
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
