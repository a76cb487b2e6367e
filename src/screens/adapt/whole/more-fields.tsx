"use client";
import { Plus, X } from "lucide-react";
import { useMemo, useState } from "react";
import { months as monthNames } from "@/core/calendar/format-moment";
import { countries, countryName } from "@/core/locale/names";
import { deviceName, devices as allDevices } from "@/core/content/device";
import { readIsbn } from "@/core/find/edition";
import type { Document } from "@/core/resource/document";
import { inLanguage } from "@/core/content/language";
import { minutesDisagree, minutesEstimated } from "@/core/resource/minutes";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Field, inputClasses, TextInput } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";
import { NumberBox } from "../editors/number-box";

interface Props {
  document: Document;
  onChange: (document: Document, kind?: string) => void;
}

/** Minutes as she states them, beside what the steps add up to. */
export function MinutesField({ document, onChange }: Props) {
  const estimated = minutesEstimated(document);
  const stated = document.minutes;
  if (stated === undefined)
    return (
      <div className="flex items-center gap-2">
        <p className="flex-1 text-ink-soft">About {estimated} minutes, adding up its steps.</p>
        <Button size="small" onClick={() => onChange({ ...document, minutes: estimated })}>
          Set minutes
        </Button>
      </div>
    );
  return (
    <div className="flex items-end gap-2">
      <Field
        label="Minutes"
        className="flex-1"
        help={
          minutesDisagree(stated, estimated)
            ? `About ${estimated} going by its steps. Both are shown.`
            : `About ${estimated} going by its steps.`
        }
      >
        {(control) => (
          <NumberBox
            {...control}
            least={1}
            most={600}
            whole
            value={stated}
            onNumber={(minutes) => onChange({ ...document, minutes }, "minutes")}
          />
        )}
      </Field>
      <Button size="small" look="quiet" className="mb-6" onClick={() => onChange({ ...document, minutes: undefined })}>
        Remove
      </Button>
    </div>
  );
}

const MOST_TOPICS = 12;

/** A list of short texts: one is added with Enter, and taken out by itself. */
export function TopicsField({ document, onChange }: Props) {
  const [typed, setTyped] = useState("");
  const { topics } = document;
  const add = () => {
    // Several may be pasted at once.
    const more = typed.split(/[,;\n]/).map((topic) => topic.trim().toLowerCase().slice(0, 60));
    const next = [...new Set([...topics, ...more.filter(Boolean)])].slice(0, MOST_TOPICS);
    if (next.length > topics.length) onChange({ ...document, topics: next });
    setTyped("");
  };
  return (
    <section aria-label="Topics">
      <h3 className="mb-1 text-[13px] text-ink-soft">Topics</h3>
      <ul className="flex flex-wrap gap-1.5">
        {topics.map((topic) => (
          <li key={topic} className="flex items-center gap-0.5 rounded-card bg-shade pl-2">
            {topic}
            <IconButton
              name={`Without ${topic}`}
              small
              onClick={() => onChange({ ...document, topics: topics.filter((one) => one !== topic) })}
            >
              <X size={13} aria-hidden />
            </IconButton>
          </li>
        ))}
      </ul>
      <form
        className="mt-1 flex gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          add();
        }}
      >
        <TextInput
          aria-label="Another topic"
          placeholder="for example tides"
          maxLength={400}
          disabled={topics.length >= MOST_TOPICS}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        <Button type="submit" size="small" disabled={!typed.trim()}>
          Add
        </Button>
      </form>
    </section>
  );
}

function Ticks<Value extends string | number>({
  legend,
  values,
  chosen,
  name,
  onChange,
}: {
  legend: string;
  values: readonly Value[];
  chosen: readonly Value[];
  name: (value: Value) => string;
  onChange: (chosen: Value[]) => void;
}) {
  return (
    <fieldset>
      <legend className="mb-1 text-[13px] text-ink-soft">{legend}</legend>
      <div className="grid grid-cols-2 gap-1">
        {values.map((value) => (
          <label key={value} className="flex items-center gap-2">
            <Checkbox
              label={name(value)}
              checked={chosen.includes(value)}
              onChange={(on) => onChange(values.filter((one) => (one === value ? on : chosen.includes(one))))}
            />
            {name(value)}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

const needed = allDevices.filter((device) => device !== "any" && device !== "none");

/** By name; "not stated" first. */
const countriesByName = () =>
  countries
    .map((code) => ({ code, name: code === "any" ? "" : countryName(code) }))
    .sort((one, other) => one.name.replace(/^the /, "").localeCompare(other.name.replace(/^the /, "")));

export function WhereAndWhen({ document, onChange }: Props) {
  const country = countries.find((one) => one === document.region?.slice(0, 2)) ?? "any";
  const choices = useMemo(() => countriesByName(), []);
  return (
    <>
      <Ticks
        legend="Needs"
        values={needed}
        chosen={needed.filter((device) => document.devices.includes(device))}
        name={deviceName}
        onChange={(list) => onChange({ ...document, devices: list.length > 0 ? list : ["any"] })}
      />
      <label className="flex items-center gap-2">
        <Checkbox
          label="no device at all"
          checked={document.devices.includes("none")}
          onChange={(on) => onChange({ ...document, devices: on ? ["none"] : ["any"] })}
        />
        no device at all
      </label>
      <Field
        label="Made for"
        help={country === "any" ? "Worked out from its money, units and spelling, where they show it." : undefined}
      >
        {(control) => (
          <select
            {...control}
            className={inputClasses}
            value={country}
            onChange={(event) =>
              onChange({ ...document, region: event.target.value === "any" ? undefined : event.target.value })
            }
          >
            {choices.map(({ code, name }) => (
              <option key={code} value={code}>
                {name || "not stated"}
              </option>
            ))}
          </select>
        )}
      </Field>
      <Ticks
        legend="Time of the year"
        values={monthNames.map((_, at) => at + 1)}
        chosen={document.months ?? []}
        name={(month) => monthNames[month - 1]!}
        onChange={(list) => onChange({ ...document, months: list.length > 0 ? list : undefined })}
      />
    </>
  );
}

/** A number that may be left out. */
function WholeNumber({
  label,
  digits,
  value,
  onNumber,
}: {
  label: string;
  digits: number;
  value: number | undefined;
  onNumber: (value: number | undefined) => void;
}) {
  return (
    <Field label={label}>
      {(control) => (
        <TextInput
          {...control}
          inputMode="numeric"
          maxLength={digits}
          value={value ?? ""}
          onChange={({ target }) => {
            const typed = target.value.replace(/\D/g, "");
            onNumber(Number(typed) > 0 ? Number(typed) : undefined);
          }}
        />
      )}
    </Field>
  );
}

/** What was typed as an ISBN-13, from one of ten digits too; null when it is none. */
function isbn13Of(typed: string): string | null {
  const read = readIsbn(typed);
  return read && "isbn13" in read ? read.isbn13 : null;
}

/** The book or work it belongs to, when it belongs to one. */
export function EditionFields({ document, onChange }: Props) {
  const { edition } = document;
  const [isbn, setIsbn] = useState(edition?.isbn13 ?? "");
  if (!edition)
    return (
      <div>
        <Button size="small" look="quiet" onClick={() => onChange({ ...document, edition: { work: "" } })}>
          <Plus size={14} aria-hidden /> It belongs to a book
        </Button>
      </div>
    );
  const put = (change: Partial<NonNullable<Document["edition"]>>, kind: string) =>
    onChange({ ...document, edition: { ...edition, ...change } }, `edition-${kind}`);
  const known = isbn13Of(isbn);
  const wrong = isbn.trim() !== "" && known === null;
  return (
    <fieldset className="grid gap-2 rounded-card border border-line p-2">
      <legend className="px-1 text-[13px] text-ink-soft">The book it belongs to</legend>
      <Field label="Title of the book">
        {(control) => (
          <TextInput
            {...control}
            maxLength={200}
            value={edition.work}
            onChange={(event) => put({ work: event.target.value }, "work")}
          />
        )}
      </Field>
      <Field label="ISBN" problem={wrong ? "That is not a valid ISBN: a digit is wrong or missing." : undefined}>
        {(control) => (
          <TextInput
            {...control}
            inputMode="numeric"
            maxLength={20}
            value={isbn}
            onChange={(event) => {
              setIsbn(event.target.value);
              const read = isbn13Of(event.target.value);
              if (read || event.target.value.trim() === "") put({ isbn13: read ?? undefined }, "isbn");
            }}
          />
        )}
      </Field>
      <div className="grid grid-cols-2 gap-2">
        <WholeNumber label="Year" digits={4} value={edition.year} onNumber={(year) => put({ year }, "year")} />
        <WholeNumber label="Pages" digits={4} value={edition.pages} onNumber={(pages) => put({ pages }, "pages")} />
        <Field label="Form">
          {(control) => (
            <TextInput
              {...control}
              maxLength={60}
              placeholder="paperback"
              value={edition.format ?? ""}
              onChange={(event) => put({ format: event.target.value || undefined }, "format")}
            />
          )}
        </Field>
        <Field label="Read by">
          {(control) => (
            <TextInput
              {...control}
              maxLength={120}
              placeholder="for a recording"
              value={edition.readBy ?? ""}
              onChange={(event) => put({ readBy: event.target.value || undefined }, "reader")}
            />
          )}
        </Field>
      </div>
      <div>
        <Button size="small" look="quiet" onClick={() => onChange({ ...document, edition: undefined })}>
          Not from a book
        </Button>
      </div>
    </fieldset>
  );
}

/** Words students meet in it, and what they mean. */
export function WordListField({ document, onChange }: Props) {
  const language = document.languages[0]!;
  const { vocabulary } = document;
  const put = (at: number, change: Partial<Document["vocabulary"][number]>, kind: string) =>
    onChange(
      { ...document, vocabulary: vocabulary.map((one, nth) => (nth === at ? { ...one, ...change } : one)) },
      kind,
    );
  return (
    <section aria-label="Word list">
      <h3 className="mb-1 text-[13px] text-ink-soft">Word list</h3>
      <ul className="grid gap-2">
        {vocabulary.map((one, at) => (
          <li key={at} className="grid grid-cols-[1fr_auto] gap-1">
            <TextInput
              aria-label={`Word ${at + 1}`}
              placeholder="word"
              maxLength={80}
              value={one.term}
              onChange={(event) => put(at, { term: event.target.value }, `term-${at}`)}
            />
            <IconButton
              name={`Without ${one.term || `word ${at + 1}`}`}
              small
              onClick={() => onChange({ ...document, vocabulary: vocabulary.filter((_, nth) => nth !== at) })}
            >
              <X size={14} aria-hidden />
            </IconButton>
            <TextInput
              aria-label={`What ${one.term || `word ${at + 1}`} means`}
              placeholder="what it means"
              maxLength={400}
              className="col-span-2"
              value={inLanguage(one.meaning, document.languages) ?? ""}
              onChange={(event) =>
                put(at, { meaning: { ...one.meaning, [language]: event.target.value } }, `meaning-${at}`)
              }
            />
          </li>
        ))}
      </ul>
      <Button
        size="small"
        look="quiet"
        disabled={vocabulary.length >= 60}
        onClick={() => onChange({ ...document, vocabulary: [...vocabulary, { term: "", meaning: {} }] })}
      >
        <Plus size={14} aria-hidden /> Word
      </Button>
    </section>
  );
}
