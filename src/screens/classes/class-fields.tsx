"use client";
import { useState } from "react";
import { deviceName, devices as allDevices } from "@/core/content/device";
import { formatReadingGrade } from "@/core/content/grade";
import { languageNamed } from "@/core/resource/language-named";
import type { ClassSaid } from "@/core/roster/class-said";
import { parseNumber } from "@/core/scoring/number";
import { Checkbox } from "@/ui/checkbox";
import { Field, TextInput } from "@/ui/field";
import { nativeLanguageName } from "../media/native-language-name";
import { GradeSelect } from "../find/grade-select";

export const newClassSaid: ClassSaid = {
  ...{ name: "", subject: "", gradeFrom: 4, gradeTo: 4, periodMinutes: 45, reading: null },
  ...{ languages: ["en"], devices: ["computer", "tablet"] },
};
const needed = allDevices.filter((device) => device !== "any" && device !== "none");

/** Languages as typed, with commas between them; `tag` is null for one nobody knows. */
const named = (typed: string): { text: string; tag: string | null }[] =>
  typed
    .split(",")
    .map((text) => text.trim().slice(0, 40))
    .filter(Boolean)
    .map((text) => ({ text, tag: languageNamed(text) }));

/** What is said of a class: name, subject, grades, lessons, reading, languages and devices. */
export function ClassFields({
  said,
  measured,
  problem,
  onChange,
}: {
  said: ClassSaid;
  /** What its students read at; null: nobody measured; undefined: not known here. */
  measured: { from: number; to: number } | null | undefined;
  problem: { field?: string | undefined; text: string } | null;
  onChange: (said: ClassSaid) => void;
}) {
  const [languages, setLanguages] = useState(said.languages.map(nativeLanguageName).join(", "));
  const read = named(languages).map(({ tag }) => tag);
  const wrongOf = (field: string) =>
    problem?.field?.startsWith(`said.${field}`) || problem?.field === field ? problem.text : undefined;
  const grade = (which: "gradeFrom" | "gradeTo", label: string) => (
    <Field label={label} problem={wrongOf(which)}>
      {(control) => (
        <GradeSelect {...control} value={said[which]} onGrade={(grade) => onChange({ ...said, [which]: grade })} />
      )}
    </Field>
  );
  return (
    <div className="grid gap-4">
      <div className="grid grid-cols-2 gap-4">
        <Field label="Name" problem={wrongOf("name")}>
          {(control) => (
            <TextInput
              {...control}
              maxLength={60}
              placeholder="5 Kittiwake"
              value={said.name}
              onChange={(event) => onChange({ ...said, name: event.target.value })}
            />
          )}
        </Field>
        <Field label="Subject" problem={wrongOf("subject")}>
          {(control) => (
            <TextInput
              {...control}
              maxLength={60}
              placeholder="mathematics"
              value={said.subject}
              onChange={(event) => onChange({ ...said, subject: event.target.value })}
            />
          )}
        </Field>
      </div>
      <div className="grid grid-cols-3 gap-4">
        {grade("gradeFrom", "From grade")}
        {grade("gradeTo", "To grade")}
        <NumberField
          label="Minutes of a lesson"
          value={said.periodMinutes}
          problem={wrongOf("periodMinutes")}
          onNumber={(periodMinutes) => onChange({ ...said, periodMinutes })}
        />
      </div>
      <fieldset>
        <legend className="mb-1 text-[13px] text-ink-soft">Reads at grade</legend>
        <label className="flex items-center gap-2">
          <Checkbox
            label="worked out from its students"
            checked={said.reading === null}
            onChange={(on) =>
              onChange({ ...said, reading: on ? null : (measured ?? { from: said.gradeFrom, to: said.gradeTo }) })
            }
          />
          worked out from its students
          <span className="text-ink-soft">
            {measured === undefined
              ? ""
              : measured
                ? `(${formatReadingGrade(measured.from)} to ${formatReadingGrade(measured.to)})`
                : "(no one measured yet)"}
          </span>
        </label>
        {said.reading && (
          <div className="mt-2 grid grid-cols-2 gap-4">
            {(["from", "to"] as const).map((which) => (
              <NumberField
                key={which}
                label={which === "from" ? "Weakest reader" : "Strongest reader"}
                value={said.reading![which]}
                problem={which === "from" ? wrongOf("reading") : undefined}
                onNumber={(value) => onChange({ ...said, reading: { ...said.reading!, [which]: value } })}
              />
            ))}
          </div>
        )}
      </fieldset>
      <Field
        label="Languages of the class"
        problem={
          read.includes(null)
            ? "We do not know one of these. Write them like English, español."
            : read.length === 0
              ? "Add at least one language."
              : wrongOf("languages")
        }
      >
        {(control) => (
          <TextInput
            {...control}
            maxLength={200}
            value={languages}
            onChange={(event) => {
              setLanguages(event.target.value);
              // What is not known goes along as it is, so that it is refused and not passed over.
              onChange({ ...said, languages: named(event.target.value).map(({ tag, text }) => tag ?? `? ${text}`) });
            }}
          />
        )}
      </Field>
      <fieldset>
        <legend className="mb-1 text-[13px] text-ink-soft">Devices it can use</legend>
        <div className="grid grid-cols-3 gap-1">
          {needed.map((device) => (
            <label key={device} className="flex items-center gap-2">
              <Checkbox
                label={deviceName(device)}
                checked={said.devices.includes(device)}
                onChange={(on) =>
                  onChange({
                    ...said,
                    devices: needed.filter((one) => (one === device ? on : said.devices.includes(one))),
                  })
                }
              />
              {deviceName(device)}
            </label>
          ))}
        </div>
      </fieldset>
      {problem && !problem.field && (
        <p role="alert" className="font-semibold text-clay">
          {problem.text}
        </p>
      )}
    </div>
  );
}

/** A number that may be half typed; what is no number yet is refused when it is kept. */
function NumberField({
  label,
  value,
  problem,
  onNumber,
}: {
  label: string;
  value: number;
  problem: string | undefined;
  onNumber: (value: number) => void;
}) {
  const [typed, setTyped] = useState(String(value));
  const wrong = parseNumber(typed) === null;
  return (
    <Field label={label} problem={wrong ? "Write a number." : problem}>
      {(control) => (
        <TextInput
          {...control}
          inputMode="decimal"
          maxLength={6}
          value={typed}
          onChange={(event) => {
            setTyped(event.target.value);
            const read = parseNumber(event.target.value);
            // Half typed it is no number, and is refused as none when it is kept.
            onNumber(read ?? Number.NaN);
          }}
        />
      )}
    </Field>
  );
}
