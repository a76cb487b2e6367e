"use client";
import { Printer } from "lucide-react";
import { useState } from "react";
import { inLanguage } from "@/core/content/language";
import { resultLetter, type HomeActivity, type ResultLetters } from "@/core/results/family-letter";
import { formatLetterDate, letterParts, plainParts } from "@/core/results/letter-parts";
import type { FamilyLetter } from "@/server/results/family-letters";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Empty } from "@/ui/empty";
import { inputClasses } from "@/ui/field";
import { PdfButton } from "../results/pdf-button";
import { NoLetterYet } from "../classes/no-letter-yet";

/** A letter about the term's results to each family, in its language, a page each when printed. She says what goes in. */
export function ResultLettersScreen({
  texts,
  letters,
  activities,
  group,
  className,
  teacher,
  school,
}: {
  texts: ResultLetters;
  letters: readonly FamilyLetter[];
  /** What the class has had: one may be asked for at home. */
  activities: readonly HomeActivity[];
  /** The class. */
  group: number;
  className: string;
  teacher: string;
  school: string;
}) {
  const [chosen, setChosen] = useState(plainParts);
  const [at, setAt] = useState<number | null>(null);
  const home = activities.find(({ resource }) => resource === at) ?? null;
  const written = letters.map((letter) => ({
    ...letter,
    text: resultLetter(texts, letter.results, chosen, letter.familyLanguage, formatLetterDate, home),
  }));
  const unwritten = written.filter(
    ({ familyLanguage, text }) => familyLanguage && familyLanguage.split("-")[0] !== text.language,
  );
  return (
    <main className="mx-auto max-w-3xl px-6 py-6 print:max-w-none print:p-0">
      <div className="not-printed mb-4 flex flex-wrap items-center gap-3">
        <h1 className="flex-1 font-serif text-[22px]">Letters about results, {className}</h1>
        <PdfButton
          address={`/letters/${group}/results/pdf?${new URLSearchParams({
            students: letters.map(({ student }) => student).join(","),
            include: letterParts.flatMap(({ part }) => (chosen[part] ? part : [])).join(","),
            ...(home && { home: String(home.resource) }),
          })}`}
          name="letters"
          disabled={letters.length === 0}
        />
        <Button look="main" disabled={letters.length === 0} onClick={() => window.print()}>
          <Printer size={15} aria-hidden /> Print {letters.length}
        </Button>
      </div>
      <fieldset className="not-printed mb-5 flex flex-wrap items-center gap-x-5 gap-y-1 text-[14px]">
        <legend className="float-left mr-3 text-ink-soft">Include</legend>
        {letterParts.map(({ part, text }) => (
          <label key={part} className="flex items-center gap-2">
            <Checkbox
              label={text}
              checked={chosen[part]}
              onChange={(checked) => setChosen({ ...chosen, [part]: checked })}
            />
            {text}
          </label>
        ))}
        {activities.length > 0 && (
          <label className="flex items-center gap-2">
            To do at home
            <select
              className={`${inputClasses} !w-64`}
              value={at ?? ""}
              onChange={(event) => setAt(event.target.value === "" ? null : Number(event.target.value))}
            >
              <option value="">nothing</option>
              {activities.map(({ resource, title, languages }) => (
                <option key={resource} value={resource}>
                  {inLanguage(title, languages)}
                </option>
              ))}
            </select>
          </label>
        )}
      </fieldset>
      <NoLetterYet
        families={unwritten.map(({ name, familyLanguage }) => ({ student: name, language: familyLanguage! }))}
      />
      {letters.length === 0 && <Empty title="Nobody to write to">There are no such students in this class.</Empty>}
      <ol className="grid gap-5 print:block">
        {written.map(({ student, text }) => (
          <li
            key={student}
            lang={text.language}
            className="rounded-card border border-line bg-card p-8 text-[16px] leading-relaxed print:break-after-page print:border-0"
          >
            <p className="text-ink-soft">{school}</p>
            <p className="mt-4">{text.greeting}</p>
            <p className="mt-3">{text.opening}</p>
            {text.sections.map(({ heading, lines }) => (
              <div key={heading} className="mt-3">
                <p className="font-semibold">{heading}</p>
                <ul className="ml-5 list-disc">
                  {lines.map((line, at) => (
                    <li key={at}>{line}</li>
                  ))}
                </ul>
              </div>
            ))}
            {text.remark && <p className="mt-3 text-[14px] text-ink-soft">{text.remark}</p>}
            {text.home && <p className="mt-3">{text.home}</p>}
            <p className="mt-5">
              {text.closing}
              <br />
              {teacher}
            </p>
          </li>
        ))}
      </ol>
    </main>
  );
}
