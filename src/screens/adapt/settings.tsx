"use client";
import { ListChecks } from "lucide-react";
import { useState } from "react";
import type { Document, Step } from "@/core/resource/document";
import { phases } from "@/core/content/vocabulary";
import type { Unfinished } from "@/core/resource/unfinished";
import { inLanguage } from "@/core/content/language";
import { workNames } from "@/core/resource/work";
import { licenceNames } from "@/core/licence/licence";
import { Button } from "@/ui/button";
import { Field, inputClasses } from "@/ui/field";
import { Segmented } from "@/ui/segmented";
import { LanguagesField } from "./languages/languages-field";
import { WholeSettings } from "./whole/whole-settings";
import { NumberBox } from "./editors/number-box";
import { RichEditor } from "./writing/rich-editor";

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

/** What was found, each with a way to its step. */
function Found({
  found,
  document,
  onGo,
  onLicence,
  look,
}: {
  found: readonly Unfinished[];
  document: Document;
  onGo: (step: string, block?: string) => void;
  onLicence?: (licence: Document["licence"]) => void;
  look: string;
}) {
  return (
    <ul className="mt-1 grid gap-1">
      {found.map(({ step: id, block, problem, licence }, at) => (
        <li key={at} className={look}>
          {licence && onLicence ? (
            <>
              {problem}
              <Button size="small" className="mt-1" onClick={() => onLicence(licence)}>
                Use “{licenceNames[licence]}”
              </Button>
            </>
          ) : id === null ? (
            problem
          ) : (
            <button type="button" className="text-left underline" onClick={() => onGo(id, block)}>
              Step {document.steps.findIndex((one) => one.id === id) + 1}: {problem}
            </button>
          )}
        </li>
      ))}
    </ul>
  );
}

/** Beside the step: its settings or the whole resource's, and what must be fixed before publishing. */
export function Settings({
  document,
  step,
  problems,
  remarks,
  resource,
  onStep,
  onDocument,
  onLanguage,
  onGo,
}: {
  document: Document;
  step: Step | null;
  problems: readonly Unfinished[];
  remarks: readonly Unfinished[];
  resource: number;
  onStep: Change<Step>;
  onDocument: Change<Document>;
  onLanguage: (language: string) => void;
  onGo: (step: string, block?: string) => void;
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
        <div className="grid grid-cols-1 gap-4">
          <WholeSettings resource={resource} document={document} onChange={onDocument} />
          <LanguagesField document={document} onDocument={onDocument} onLanguage={onLanguage} />
        </div>
      ) : step ? (
        <StepSettings key={step.id} step={step} languages={document.languages} onChange={onStep} />
      ) : (
        <p className="text-ink-soft">Add a step first.</p>
      )}
      <section className="mt-5 border-t border-line pt-4">
        <h2 className="flex items-center gap-2 font-semibold">
          <ListChecks size={16} aria-hidden /> Before you publish
        </h2>
        {problems.length === 0 ? (
          <p className="mt-1 text-ink-soft">Nothing to fix.</p>
        ) : (
          <Found
            found={problems}
            document={document}
            onGo={onGo}
            onLicence={(licence) => onDocument({ ...document, licence })}
            look="text-clay"
          />
        )}
        {remarks.length > 0 && (
          <>
            <h3 className="mt-3 text-[13px] text-ink-soft">Worth a look; you can still publish</h3>
            <Found found={remarks} document={document} onGo={onGo} look="text-slate" />
          </>
        )}
      </section>
    </aside>
  );
}
