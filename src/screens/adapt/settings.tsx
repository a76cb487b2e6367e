"use client";
import { ListChecks } from "lucide-react";
import { useState } from "react";
import { gradeName } from "@/core/find/grade";
import { kindName } from "@/core/find/say";
import type { Document, Step } from "@/core/resource/document";
import { kinds, phases, subjects } from "@/core/resource/vocabulary";
import type { Unfinished } from "@/core/resource/unfinished";
import { inLanguage } from "@/core/resource/language";
import { workNames } from "@/core/resource/work";
import { licencesForAdaptation, licenceNames } from "@/core/licence/licence";
import { Checkbox } from "@/ui/checkbox";
import { Field, inputClasses } from "@/ui/field";
import { Segmented } from "@/ui/segmented";
import { LanguagesField } from "./languages-field";
import { NumberBox } from "./number-box";
import { RichEditor } from "./rich-editor";

type Change<Of> = (of: Of, kind?: string) => void;

function StepSettings({
  step,
  languages,
  onChange,
}: {
  step: Step;
  languages: readonly string[];
  onChange: Change<Step>;
}) {
  const language = languages[0]!;
  return (
    <div className="grid gap-4">
      <div className="grid grid-cols-2 gap-3">
        <Field label="Minutes">
          {(control) => (
            <NumberBox
              {...control}
              least={0}
              most={600}
              whole
              value={step.minutes ?? 0}
              onNumber={(minutes) => onChange({ ...step, minutes }, `minutes-${step.id}`)}
            />
          )}
        </Field>
        <Field label="Part of the lesson">
          {(control) => (
            <select
              {...control}
              className={inputClasses}
              value={step.phase}
              onChange={(event) => onChange({ ...step, phase: event.target.value as Step["phase"] })}
            >
              {phases.map((phase) => (
                <option key={phase}>{phase}</option>
              ))}
            </select>
          )}
        </Field>
      </div>
      <Field label="Work">
        {(control) => (
          <select
            {...control}
            className={inputClasses}
            value={step.work}
            onChange={(event) => onChange({ ...step, work: event.target.value as Step["work"] })}
          >
            {Object.entries(workNames).map(([work, name]) => (
              <option key={work} value={work}>
                {name}
              </option>
            ))}
          </select>
        )}
      </Field>
      <div>
        <p className="mb-1 text-[13px] text-ink-soft">Who sees it</p>
        <Segmented
          label="Who sees it"
          value={step.audience}
          onChange={(audience) => onChange({ ...step, audience })}
          options={[
            { value: "student", text: "students" },
            { value: "teacher", text: "only me" },
          ]}
          className="w-full"
        />
      </div>
      <div>
        <p className="mb-1 text-[13px] text-ink-soft">For me: what to say and watch for</p>
        <RichEditor
          label="For me"
          className="min-h-24 border border-line bg-card py-1"
          value={inLanguage(step.teacherNotes, languages)}
          placeholder="Students never see this."
          onChange={(text) =>
            onChange({ ...step, teacherNotes: { ...step.teacherNotes, [language]: text } }, `notes-${step.id}`)
          }
        />
      </div>
    </div>
  );
}

function WholeSettings({
  document,
  sourceLicence,
  onChange,
}: {
  document: Document;
  sourceLicence: Document["licence"] | null;
  onChange: Change<Document>;
}) {
  const language = document.languages[0]!;
  const allowed = sourceLicence ? licencesForAdaptation(sourceLicence) : null;
  const grade = (which: "from" | "to") => (
    <Field label={which === "from" ? "From grade" : "To grade"}>
      {(control) => (
        <select
          {...control}
          className={inputClasses}
          value={document.grades[which]}
          onChange={(event) => {
            const value = Number(event.target.value);
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
        >
          {Array.from({ length: 13 }, (_, at) => (
            <option key={at} value={at}>
              {gradeName(at)}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
  return (
    <div className="grid gap-4">
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
      <Field
        label="Licence"
        help={allowed && allowed.length === 0 ? "The source's licence keeps this version at your school." : undefined}
      >
        {(control) => (
          <select
            {...control}
            className={inputClasses}
            value={document.licence}
            onChange={(event) => onChange({ ...document, licence: event.target.value as Document["licence"] })}
          >
            {(Object.keys(licenceNames) as Document["licence"][])
              .filter((licence) => !allowed || allowed.includes(licence) || licence === document.licence)
              .map((licence) => (
                <option key={licence} value={licence}>
                  {licenceNames[licence]}
                </option>
              ))}
          </select>
        )}
      </Field>
    </div>
  );
}

/** What was found, each with a way to its step. */
function Found({
  found,
  document,
  onGo,
  look,
}: {
  found: readonly Unfinished[];
  document: Document;
  onGo: (step: string) => void;
  look: string;
}) {
  return (
    <ul className="mt-1 grid gap-1">
      {found.map(({ step: id, problem }, at) => (
        <li key={at} className={look}>
          {id === null ? (
            problem
          ) : (
            <button type="button" className="text-left underline" onClick={() => onGo(id)}>
              Step {document.steps.findIndex((one) => one.id === id) + 1}: {problem}
            </button>
          )}
        </li>
      ))}
    </ul>
  );
}

/** Beside the step: its settings or the whole resource's, and what stands in the way of publishing. */
export function Settings({
  document,
  step,
  problems,
  remarks,
  sourceLicence,
  onStep,
  onDocument,
  onLanguage,
  onGo,
}: {
  document: Document;
  step: Step | null;
  problems: readonly Unfinished[];
  remarks: readonly Unfinished[];
  sourceLicence: Document["licence"] | null;
  onStep: Change<Step>;
  onDocument: Change<Document>;
  onLanguage: (language: string) => void;
  onGo: (step: string) => void;
}) {
  const [tab, setTab] = useState<"step" | "whole">("step");
  return (
    <aside aria-label="Settings" className="h-full overflow-auto border-l border-line bg-card p-4">
      <Segmented
        label="What to set"
        value={tab}
        onChange={setTab}
        options={[
          { value: "step", text: "This step" },
          { value: "whole", text: "The whole" },
        ]}
        className="mb-4 w-full"
      />
      {tab === "whole" ? (
        <div className="grid gap-4">
          <WholeSettings document={document} sourceLicence={sourceLicence} onChange={onDocument} />
          <LanguagesField document={document} onDocument={onDocument} onLanguage={onLanguage} />
        </div>
      ) : step ? (
        <StepSettings key={step.id} step={step} languages={document.languages} onChange={onStep} />
      ) : (
        <p className="text-ink-soft">Add a step first.</p>
      )}
      <section className="mt-5 border-t border-line pt-4">
        <h2 className="flex items-center gap-2 font-semibold">
          <ListChecks size={16} aria-hidden /> Before it goes out
        </h2>
        {problems.length === 0 ? (
          <p className="mt-1 text-ink-soft">Nothing to fix.</p>
        ) : (
          <Found found={problems} document={document} onGo={onGo} look="text-clay" />
        )}
        {remarks.length > 0 && (
          <>
            <h3 className="mt-3 text-[13px] text-ink-soft">Worth a look; it may go out all the same</h3>
            <Found found={remarks} document={document} onGo={onGo} look="text-slate" />
          </>
        )}
      </section>
    </aside>
  );
}
