"use client";
import { useRouter } from "next/navigation";
import { clsx } from "clsx";
import { Controller } from "react-hook-form";
import type { z } from "zod";
import { factors } from "@/core/assign/extra-time";
import type { Class, Student } from "@/data/classes/classes";
import { studentForm, type StudentForm } from "@/core/roster/student-input";
import type { StudentGoal } from "@/data/plan/plan";
import { changeStudent } from "@/screens/acts/roster";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { FormText, useCheckedForm, type CheckedForm } from "@/ui/checked-form";
import { Dialog } from "@/ui/dialog";
import { Field, inputClasses, TextInput } from "@/ui/field";
import { tell } from "@/ui/toast";
import { GradeSelect } from "../find/grade-select";

/** What is known of a student, as it stands in the form. */
const typedOf = (student: Student, goals: readonly StudentGoal[]): z.input<typeof StudentForm> => ({
  grade: student.grade,
  readingGrade: student.readingGrade === null ? "" : String(student.readingGrade),
  factor: student.factor as (typeof factors)[number],
  readsAloud: student.readsAloud,
  languages: student.languages.join(", "),
  familyLanguage: student.familyLanguage ?? "",
  signInName: student.signInName,
  goal: "",
  goals: goals.map(({ id, goal, closed }) => ({ id, goal, closed: closed !== null })),
});

/** A goal the student has: to be worded anew, or closed. */
function GoalLine({
  form,
  goal,
  nth,
}: {
  form: Pick<CheckedForm<z.input<typeof StudentForm>>, "control" | "register" | "problemAt">;
  goal: StudentGoal;
  nth: number;
}) {
  const problem = form.problemAt(`goals.${nth}.goal`);
  return (
    <li className="flex flex-wrap items-center gap-2">
      <Controller
        control={form.control}
        name={`goals.${nth}.closed`}
        render={({ field: closed }) => (
          <>
            <TextInput
              aria-label={`Goal of ${goal.year}`}
              aria-invalid={problem !== undefined}
              maxLength={120}
              className={clsx("flex-1", closed.value && "text-ink-soft line-through")}
              {...form.register(`goals.${nth}.goal`)}
            />
            <span className="numbers text-[13px] text-ink-soft">{goal.year}</span>
            <label className="flex items-center gap-1.5 whitespace-nowrap">
              <Checkbox label={`“${goal.goal}” is closed`} checked={closed.value} onChange={closed.onChange} />
              closed
            </label>
          </>
        )}
      />
      {problem && <p className="w-full text-[13px] font-semibold text-clay">{problem}</p>}
    </li>
  );
}

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
  const router = useRouter();
  const form = useCheckedForm(
    studentForm(student.signInName),
    typedOf(student, had),
    async ({ signInName, goal, goals, ...facts }) => {
      const outcome = await changeStudent({
        ...{ class: group.id, students: [student.id], facts, goal, goals },
        ...(signInName !== student.signInName && { signInName }),
      });
      if (!outcome.ok) return outcome;
      onClose();
      router.refresh();
      tell(`Saved for ${student.givenName}.`);
    },
  );
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={`${student.givenName} ${student.familyName}`}>
      <form className="grid gap-4" noValidate onSubmit={form.submit}>
        <div className="grid grid-cols-3 gap-4">
          <Field label="Grade">
            {(control) => (
              <Controller
                control={form.control}
                name="grade"
                render={({ field }) => (
                  <GradeSelect {...control} value={field.value} open="not said" onGrade={field.onChange} />
                )}
              />
            )}
          </Field>
          <FormText form={form} name="readingGrade" label="Reads at grade" inputMode="decimal" placeholder="4.5" />
          <Field label="Time">
            {(control) => (
              <select {...control} {...form.register("factor", { valueAsNumber: true })} className={inputClasses}>
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
          <FormText form={form} name="languages" label="Reads in (en, es …)" />
          <FormText form={form} name="familyLanguage" label="Language of the letter home" />
        </div>
        <FormText
          form={form}
          name="signInName"
          label="Signs in as"
          help="The password stays. Print a new card when you change the name."
          maxLength={40}
          autoCapitalize="none"
        />
        <label className="flex items-center gap-2">
          <Controller
            control={form.control}
            name="readsAloud"
            render={({ field }) => (
              <Checkbox label="Has text read aloud" checked={field.value} onChange={field.onChange} />
            )}
          />{" "}
          Has text read aloud
        </label>
        {had.length > 0 && (
          <ul aria-label="Goals" className="grid gap-1.5">
            {had.map((one, nth) => (
              <GoalLine key={one.id} form={form} goal={one} nth={nth} />
            ))}
          </ul>
        )}
        <FormText
          form={form}
          name="goal"
          label="Add a personal goal for this year"
          help="Suggested as a goal tag when you assign to this student, and never for anyone else."
          maxLength={120}
        />
        {form.notice}
        <p className="text-[13px] text-ink-soft">Only the teachers of {group.name} see this.</p>
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button look="main" type="submit" disabled={form.busy}>
            Keep
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
