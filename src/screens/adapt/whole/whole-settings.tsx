"use client";
import { kindName } from "@/core/find/format";
import { licenceNames, licencesAllowed } from "@/core/licence/licence";
import type { Document } from "@/core/resource/document";
import { inLanguage } from "@/core/content/language";
import { kinds, subjects } from "@/core/content/vocabulary";
import { Checkbox } from "@/ui/checkbox";
import { Field, inputClasses } from "@/ui/field";
import { RichEditor } from "../writing/rich-editor";
import { EditionFields, MinutesField, TopicsField, WhereAndWhen, WordListField } from "./more-fields";
import { StandardsField } from "./standards-field";
import { GradeSelect } from "@/screens/find/grade-select";

const noteNames = { teacherNotes: "Notes for teachers", familyNote: "A note for families" } as const;

/** Everything that is said about a resource as a whole. */
export function WholeSettings({
  resource,
  document,
  onChange,
}: {
  resource: number;
  document: Document;
  onChange: (document: Document, kind?: string) => void;
}) {
  const language = document.languages[0]!;
  const allowed = licencesAllowed(document.credits);
  const grade = (which: "from" | "to") => (
    <Field label={which === "from" ? "From grade" : "To grade"}>
      {(control) => (
        <GradeSelect
          {...control}
          value={document.grades[which]}
          onGrade={(value) => {
            const { from, to }: Document["grades"] =
              which === "from" ? { ...document.grades, from: value } : { ...document.grades, to: value };
            onChange({
              ...document,
              grades: {
                from: which === "to" ? Math.min(from, to) : from,
                to: which === "from" ? Math.max(from, to) : to,
              },
            });
          }}
        />
      )}
    </Field>
  );
  return (
    <div className="grid grid-cols-1 gap-4">
      <Field label="In a sentence or two">
        {(control) => (
          <textarea
            {...control}
            rows={4}
            maxLength={1000}
            value={inLanguage(document.summary, document.languages) ?? ""}
            onChange={(event) =>
              onChange({ ...document, summary: { ...document.summary, [language]: event.target.value } }, "summary")
            }
            className={`${inputClasses} py-2`}
          />
        )}
      </Field>
      <div className="grid grid-cols-2 gap-3">
        {grade("from")}
        {grade("to")}
        <Field label="Kind">
          {(control) => (
            <select
              {...control}
              className={inputClasses}
              value={document.kind}
              onChange={(event) => onChange({ ...document, kind: event.target.value as Document["kind"] })}
            >
              {kinds.map((kind) => (
                <option key={kind} value={kind}>
                  {kindName(kind)}
                </option>
              ))}
            </select>
          )}
        </Field>
      </div>
      <fieldset>
        <legend className="mb-1 text-[13px] text-ink-soft">Subjects</legend>
        <div className="grid grid-cols-2 gap-1">
          {subjects.map((subject) => {
            const on = document.subjects.includes(subject);
            return (
              <label key={subject} className="flex items-center gap-2">
                <Checkbox
                  label={subject}
                  checked={on}
                  onChange={(next) => {
                    const list = next
                      ? [...document.subjects, subject]
                      : document.subjects.filter((one) => one !== subject);
                    if (list.length >= 1 && list.length <= 4) onChange({ ...document, subjects: list });
                  }}
                />
                {subject}
              </label>
            );
          })}
        </div>
      </fieldset>
      <MinutesField document={document} onChange={onChange} />
      <StandardsField resource={resource} document={document} onChange={onChange} />
      <TopicsField document={document} onChange={onChange} />
      <Field
        label="Licence"
        help={allowed.length === 0 ? "Its source’s licence keeps this version with you and your classes." : undefined}
      >
        {(control) => (
          <select
            {...control}
            className={inputClasses}
            value={document.licence}
            onChange={(event) => onChange({ ...document, licence: event.target.value as Document["licence"] })}
          >
            {(Object.keys(licenceNames) as Document["licence"][])
              .filter((licence) => allowed.includes(licence) || licence === document.licence)
              .map((licence) => (
                <option key={licence} value={licence}>
                  {licenceNames[licence]}
                </option>
              ))}
          </select>
        )}
      </Field>
      <WordListField document={document} onChange={onChange} />
      <WhereAndWhen document={document} onChange={onChange} />
      <EditionFields document={document} onChange={onChange} />
      {(["teacherNotes", "familyNote"] as const).map((note) => (
        <div key={note}>
          <p className="mb-1 text-[13px] text-ink-soft">{noteNames[note]}</p>
          <RichEditor
            label={noteNames[note]}
            className="min-h-20 border border-line bg-card py-1"
            value={inLanguage(document[note], document.languages)}
            onChange={(text) => onChange({ ...document, [note]: { ...document[note], [language]: text } }, note)}
          />
        </div>
      ))}
    </div>
  );
}
