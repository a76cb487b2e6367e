"use client";
import { ClipboardPaste, Printer, Users } from "lucide-react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { languageName } from "@/core/locale/names";
import { gradeName, formatReadingGrade } from "@/core/content/grade";
import type { Class, Student } from "@/data/classes/classes";
import { formatGoal } from "@/core/results/goal-tag";
import type { StudentGoal } from "@/data/plan/plan";
import { leaveClass, rejoinClass } from "@/screens/acts/roster";
import { Button } from "@/ui/button";
import { tell, tellProblem } from "@/ui/toast";
import { FromClassesDialog } from "./from-classes-dialog";
import { PasteDialog } from "./paste-dialog";
import { StudentDialog } from "./student-dialog";

/** Who is in the class, and what is known of them to plan with. */
export function RosterView({
  group,
  students,
  goals,
  keeps,
  others,
}: {
  group: Class;
  students: Student[];
  goals: StudentGoal[];
  keeps: boolean;
  /** She has other classes, to take students from. */
  others: boolean;
}) {
  const [taking, setTaking] = useState(false);
  const [pasting, setPasting] = useState(false);
  const [editing, setEditing] = useState<Student | null>(null);
  const router = useRouter();
  const takeOut = async (student: Student) => {
    const outcome = await leaveClass({ class: group.id, students: [student.id] });
    if (!outcome.ok) return tellProblem(outcome.problem);
    router.refresh();
    tell(`${student.givenName} is not in ${group.name} any more. Her work is kept.`, async () => {
      const back = await rejoinClass({ class: group.id, students: [student.id] });
      if (!back.ok) tellProblem(back.problem);
      router.refresh();
    });
  };
  const heading = "px-3 py-1.5 font-normal";
  return (
    <section aria-labelledby="roster" className="rounded-card border border-line bg-card">
      <div className="flex items-center gap-2 px-4 pt-3 pb-2">
        <h2 id="roster" className="flex-1 font-semibold">
          Roster <span className="hidden font-normal print:inline">of {group.name}</span>
        </h2>
        <span className="not-printed flex gap-2">
          <Button onClick={() => window.print()}>
            <Printer size={15} aria-hidden /> Print
          </Button>
          {keeps && others && (
            <Button onClick={() => setTaking(true)}>
              <Users size={15} aria-hidden /> Add from my classes …
            </Button>
          )}
          {keeps && (
            <Button onClick={() => setPasting(true)}>
              <ClipboardPaste size={15} aria-hidden /> Add students …
            </Button>
          )}
        </span>
      </div>
      <table className="w-full">
        <thead>
          <tr className="border-b border-line text-left text-[13px] text-ink-soft">
            <th scope="col" className="px-4 py-1.5 font-normal">
              Name
            </th>
            <th scope="col" className={heading}>
              Signs in as
            </th>
            <th scope="col" className={`${heading} text-right`}>
              Grade
            </th>
            <th scope="col" className={`${heading} text-right`}>
              Reads at
            </th>
            <th scope="col" className={heading}>
              Needs
            </th>
            {keeps && (
              <th scope="col" className={`not-printed ${heading}`}>
                <span className="heard">Change</span>
              </th>
            )}
          </tr>
        </thead>
        <tbody>
          {students.map((student) => {
            const name = `${student.givenName} ${student.familyName}`;
            const needs = [
              student.factor > 1 && `${student.factor} × the time`,
              student.readsAloud && "read aloud",
              ...student.languages.filter((tag) => tag !== "en").map((tag) => `reads ${languageName(tag)}`),
              ...goals.filter((goal) => goal.student === student.id && goal.closed === null).map(formatGoal),
            ].filter(Boolean);
            return (
              <tr key={student.id} className="border-b border-line last:border-0">
                <td className="px-4 py-1.5">{name}</td>
                <td className="px-3 py-1.5 text-ink-soft">{student.signInName}</td>
                <td className="numbers px-3 py-1.5 text-right">
                  {student.grade === null ? "–" : gradeName(student.grade)}
                </td>
                <td className="numbers px-3 py-1.5 text-right">
                  {student.readingGrade === null ? "–" : formatReadingGrade(student.readingGrade)}
                </td>
                <td className="px-3 py-1.5 text-[13px] text-ink-soft">{needs.join(" · ")}</td>
                {keeps && (
                  <td className="not-printed px-3 py-1 text-right whitespace-nowrap">
                    <Button size="small" look="quiet" aria-label={`Change ${name}`} onClick={() => setEditing(student)}>
                      Change …
                    </Button>
                    <Button
                      size="small"
                      look="quiet"
                      aria-label={`Take ${name} out of the class`}
                      onClick={() => void takeOut(student)}
                    >
                      Take out
                    </Button>
                  </td>
                )}
              </tr>
            );
          })}
        </tbody>
      </table>
      {students.length === 0 && (
        <p className="px-4 py-6 text-ink-soft">
          {keeps ? "Nobody is in this class yet. Add its students." : "Nobody is in this class yet."}
        </p>
      )}
      {taking && <FromClassesDialog group={group} onClose={() => setTaking(false)} />}
      {pasting && <PasteDialog group={group} onClose={() => setPasting(false)} />}
      {editing && (
        <StudentDialog
          key={editing.id}
          group={group}
          student={editing}
          goals={goals.filter((goal) => goal.student === editing.id)}
          onClose={() => setEditing(null)}
        />
      )}
    </section>
  );
}
