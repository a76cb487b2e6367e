"use client";
import { Printer } from "lucide-react";
import { letterHome, withoutLetter, type Letters } from "@/core/roster/letter";
import type { Student } from "@/data/classes/classes";
import { Button } from "@/ui/button";
import { NoLetterYet } from "./no-letter-yet";

/** A letter home for each student, a page each when printed. */
export function LettersScreen({
  letters,
  className,
  subject,
  teacher,
  school,
  students,
  joinAddress,
}: {
  letters: Letters;
  className: string;
  subject: string;
  teacher: string;
  school: string;
  students: Student[];
  joinAddress: string;
}) {
  return (
    <main className="mx-auto max-w-3xl px-6 py-6 print:max-w-none print:p-0">
      <div className="not-printed mb-5 flex items-center gap-3">
        <h1 className="flex-1 font-serif text-[22px]">Letters home, {className}</h1>
        <Button look="main" onClick={() => window.print()}>
          <Printer size={15} aria-hidden /> Print {students.length}
        </Button>
      </div>
      <NoLetterYet families={withoutLetter(letters, students)} />
      <ol className="grid gap-5 print:block">
        {students.map((student) => {
          const name = `${student.givenName} ${student.familyName}`;
          const letter = letterHome(
            letters,
            {
              student: name,
              className,
              subject,
              teacher,
              school,
              address: joinAddress,
              signInName: student.signInName,
            },
            student.familyLanguage,
          );
          return (
            <li
              key={student.id}
              lang={letter.language}
              className="rounded-card border border-line bg-card p-8 text-[16px] leading-relaxed print:break-after-page print:border-0"
            >
              <p className="text-ink-soft">{school}</p>
              <p className="mt-4">{letter.greeting}</p>
              {letter.paragraphs.map((paragraph) => (
                <p key={paragraph} className="mt-3">
                  {paragraph}
                </p>
              ))}
              <p className="mt-5">
                {letter.closing}
                <br />
                {teacher}
              </p>
            </li>
          );
        })}
      </ol>
    </main>
  );
}
