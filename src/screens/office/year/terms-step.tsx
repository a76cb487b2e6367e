"use client";
import { MOST_TERMS } from "@/core/calendar/new-year";
import { DateInput } from "@/screens/when/typed-input";
import { Field } from "@/ui/field";
import { TermFields } from "../term-fields";
import { NumberField } from "./number-field";
import type { YearDraft } from "./year-screen";

/** First day, last day, how many terms; then the terms themselves, to be put right. */
export function TermsStep({ draft, onChange }: { draft: YearDraft; onChange: (more: Partial<YearDraft>) => void }) {
  const { asked, terms } = draft;
  const set = (at: number, more: Partial<(typeof terms)[number]>) =>
    onChange({ terms: terms.map((term, nth) => (nth === at ? { ...term, ...more } : term)) });
  return (
    <>
      <div className="mt-3 grid gap-3 sm:grid-cols-[12.5rem_12.5rem_minmax(0,1fr)_minmax(0,1fr)]">
        <Field label="First day of school">
          {(control) => (
            <DateInput
              {...control}
              placeholder="31 Aug 2026"
              value={asked.first}
              onChange={(first) => onChange({ asked: { ...asked, first } })}
            />
          )}
        </Field>
        <Field label="Last day of school">
          {(control) => (
            <DateInput
              {...control}
              placeholder="25 Jun 2027"
              value={asked.last}
              onChange={(last) => onChange({ asked: { ...asked, last } })}
            />
          )}
        </Field>
        <NumberField
          label="Terms"
          {...{ value: asked.terms, from: 1, to: MOST_TERMS }}
          onChange={(count) => onChange({ asked: { ...asked, terms: count } })}
        />
        <NumberField
          label="Weeks between"
          {...{ value: asked.breakWeeks, from: 0, to: 8 }}
          onChange={(breakWeeks) => onChange({ asked: { ...asked, breakWeeks } })}
        />
      </div>
      {terms.length > 0 && (
        <>
          <p className="mt-5 text-ink-soft">These follow from that. Change what is different at your school.</p>
          <ul className="mt-2 grid gap-2" aria-label="Terms">
            {terms.map((term, at) => (
              <li key={at} className="grid gap-2 sm:grid-cols-[minmax(0,1fr)_12.5rem_12.5rem]">
                <TermFields term={term} nth={at + 1} onChange={(more) => set(at, more)} />
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}
