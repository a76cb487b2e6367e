"use client";
import { useState } from "react";
import { Controller, useWatch } from "react-hook-form";
import { deviceName, devices as allDevices } from "@/core/content/device";
import { formatReadingGrade } from "@/core/content/grade";
import { languageNamed } from "@/core/resource/language-named";
import type { ClassSaid } from "@/core/roster/class-said";
import { parseNumber } from "@/core/scoring/number";
import { Checkbox } from "@/ui/checkbox";
import { FormText, type CheckedForm } from "@/ui/checked-form";
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
  form,
  measured,
}: {
  form: Pick<CheckedForm<ClassSaid>, "control" | "register" | "problemAt">;
  /** What its students read at; null: nobody measured; undefined: not known here. */
  measured: { from: number; to: number } | null | undefined;
}) {
  const { control: of, problemAt } = form;
  const [gradeFrom, gradeTo] = useWatch({ control: of, name: ["gradeFrom", "gradeTo"] });
  const grade = (which: "gradeFrom" | "gradeTo", label: string) => (
    <Field label={label} problem={problemAt(which)}>
      {(control) => (
        <Controller
          control={of}
          name={which}
          render={({ field }) => <GradeSelect {...control} value={field.value} onGrade={field.onChange} />}
        />
      )}
    </Field>
  );
  return (
    <div className="grid gap-4">
      <div className="grid grid-cols-2 gap-4">
        <FormText form={form} name="name" label="Name" maxLength={60} placeholder="5 Kittiwake" />
        <FormText form={form} name="subject" label="Subject" maxLength={60} placeholder="mathematics" />
      </div>
      <div className="grid grid-cols-3 gap-4">
        {grade("gradeFrom", "From grade")}
        {grade("gradeTo", "To grade")}
        <Controller
          control={of}
          name="periodMinutes"
          render={({ field }) => (
            <NumberField
              label="Minutes of a lesson"
              value={field.value}
              problem={problemAt("periodMinutes")}
              onNumber={field.onChange}
            />
          )}
        />
      </div>
      <Controller
        control={of}
        name="reading"
        render={({ field }) => (
          <ReadingFields
            reading={field.value}
            measured={measured}
            start={measured ?? { from: gradeFrom, to: gradeTo }}
            problem={problemAt("reading")}
            onReading={field.onChange}
          />
        )}
      />
      <Controller
        control={of}
        name="languages"
        render={({ field }) => (
          <LanguagesField
            languages={field.value}
            problem={problemAt("languages")}
            onLanguages={field.onChange}
            onLeave={field.onBlur}
          />
        )}
      />
      <fieldset>
        <legend className="mb-1 text-[13px] text-ink-soft">Devices it can use</legend>
        <Controller
          control={of}
          name="devices"
          render={({ field: { value, onChange } }) => (
            <div className="grid grid-cols-3 gap-1">
              {needed.map((device) => (
                <label key={device} className="flex items-center gap-2">
                  <Checkbox
                    label={deviceName(device)}
                    checked={value.includes(device)}
                    onChange={(on) => onChange(needed.filter((one) => (one === device ? on : value.includes(one))))}
                  />
                  {deviceName(device)}
                </label>
              ))}
            </div>
          )}
        />
      </fieldset>
    </div>
  );
}

/** What the class reads at: worked out, or said by its teacher. */
function ReadingFields({
  reading,
  measured,
  start,
  problem,
  onReading,
}: {
  reading: ClassSaid["reading"];
  measured: { from: number; to: number } | null | undefined;
  /** What it begins with when its teacher says it. */
  start: { from: number; to: number };
  problem: string | undefined;
  onReading: (reading: ClassSaid["reading"]) => void;
}) {
  return (
    <fieldset>
      <legend className="mb-1 text-[13px] text-ink-soft">Reads at grade</legend>
      <label className="flex items-center gap-2">
        <Checkbox
          label="worked out from its students"
          checked={reading === null}
          onChange={(on) => onReading(on ? null : start)}
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
      {reading && (
        <div className="mt-2 grid grid-cols-2 gap-4">
          {(["from", "to"] as const).map((which) => (
            <NumberField
              key={which}
              label={which === "from" ? "Weakest reader" : "Strongest reader"}
              value={reading[which]}
              problem={which === "from" ? problem : undefined}
              onNumber={(value) => onReading({ ...reading, [which]: value })}
            />
          ))}
        </div>
      )}
    </fieldset>
  );
}

/** Languages by their names, with commas between them. */
function LanguagesField({
  languages,
  problem,
  onLanguages,
  onLeave,
}: {
  languages: readonly string[];
  problem: string | undefined;
  onLanguages: (languages: string[]) => void;
  onLeave: () => void;
}) {
  const [typed, setTyped] = useState(languages.map(nativeLanguageName).join(", "));
  return (
    <Field label="Languages of the class" problem={problem}>
      {(control) => (
        <TextInput
          {...control}
          maxLength={200}
          value={typed}
          onBlur={onLeave}
          onChange={(event) => {
            setTyped(event.target.value);
            // What is not known goes along as it is, so that it is refused and not passed over.
            onLanguages(named(event.target.value).map(({ tag, text }) => tag ?? `? ${text}`));
          }}
        />
      )}
    </Field>
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
