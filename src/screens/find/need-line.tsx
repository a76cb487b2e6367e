"use client";
import { useEffect, useRef, useState, type RefObject } from "react";
import {
  emptied,
  everyKind,
  everySubject,
  isFilled,
  kindName,
  lengthLimits,
  sayBlank,
  shelfNames,
  shelves,
  type Blank as BlankName,
  type Need,
} from "@/core/find/need";
import { gradeName } from "@/core/find/grade";
import type { FacetCounts } from "@/core/find/facets";
import { Blank, type BlankOption } from "@/ui/blank";
import { useHydrated } from "@/ui/hydrated";
import { Key } from "@/ui/key";

const PAUSE_MS = 120;

function toggled<Value>(list: readonly Value[], value: Value): Value[] {
  return list.includes(value) ? list.filter((one) => one !== value) : [...list, value];
}

/** The words of the sentence: typed in place. What she types stays hers while results come and go. */
function Words({
  words,
  onChange,
  box,
}: {
  words: string;
  onChange: (words: string) => void;
  box: RefObject<HTMLInputElement | null>;
}) {
  const [typed, setTyped] = useState(words);
  const [sent, setSent] = useState(words);
  // Until the page answers, a letter typed would be lost: the box does not take it.
  const ready = useHydrated();
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  // The address changed by other means (back, a correction): follow it.
  if (words !== sent) {
    setSent(words);
    setTyped(words);
  }
  useEffect(() => () => clearTimeout(timer.current), []);
  const send = (text: string) => {
    clearTimeout(timer.current);
    setSent(text.trim());
    onChange(text);
  };
  return (
    <span className="relative inline-grid max-w-full align-baseline">
      <span aria-hidden className="invisible col-start-1 row-start-1 overflow-hidden px-0.5 whitespace-pre">
        {typed || "anything"}
      </span>
      <input
        ref={box}
        aria-label="About: words to look for"
        aria-keyshortcuts="/"
        size={1}
        type="text"
        readOnly={!ready}
        value={typed}
        placeholder="anything"
        maxLength={200}
        autoComplete="off"
        spellCheck={false}
        onChange={(event) => {
          const text = event.target.value;
          setTyped(text);
          clearTimeout(timer.current);
          timer.current = setTimeout(() => send(text), PAUSE_MS);
        }}
        onKeyDown={(event) => {
          if (event.key === "Enter") send(event.currentTarget.value);
          // Done with the words: single keys move in the list again.
          if (event.key === "Enter" || event.key === "Escape") event.currentTarget.blur();
        }}
        className={`col-start-1 row-start-1 w-full min-w-0 rounded-none border-b-2 bg-transparent px-0.5 leading-tight outline-offset-4 placeholder:text-ink-soft ${
          typed ? "border-green text-green" : "border-dotted border-line-strong"
        }`}
      />
    </span>
  );
}

/** The search as a sentence with blanks; every blank opens a list that says what each choice would leave. */
export function NeedLine({
  need,
  facets,
  total,
  locale,
  wordsBox,
  onChange,
}: {
  need: Need;
  facets: FacetCounts;
  total: number;
  locale: string;
  wordsBox: RefObject<HTMLInputElement | null>;
  onChange: (need: Need, typing?: boolean) => void;
}) {
  const blank = (
    name: string,
    which: BlankName,
    several: boolean,
    options: BlankOption[],
    chosen: readonly string[],
    choose: (value: string) => Need,
  ) => (
    <Blank
      name={name}
      text={sayBlank(need, which)}
      filled={isFilled(need, which)}
      options={options}
      chosen={chosen}
      several={several}
      total={total}
      locale={locale}
      onChoose={(value) => onChange(choose(value))}
      onClear={() => onChange(emptied(need, which))}
    />
  );
  const capital = (text: string) => text[0]!.toUpperCase() + text.slice(1);
  return (
    <div className="font-serif text-[24px] leading-[1.6]" role="search" aria-label="The need line">
      Show{" "}
      {blank(
        "Kind",
        "kind",
        true,
        everyKind.map((kind) => ({ value: kind, text: capital(kindName(kind)), leaves: facets.kind[kind] ?? 0 })),
        need.kinds,
        (value) => ({ ...need, kinds: toggled(need.kinds, value as Need["kinds"][number]) }),
      )}{" "}
      about <Words words={need.words} box={wordsBox} onChange={(words) => onChange({ ...need, words }, true)} />{" "}
      <span className="inline-flex translate-y-[-4px] align-baseline">
        <Key>/</Key>
      </span>{" "}
      for{" "}
      {blank(
        "Grade",
        "grades",
        true,
        Array.from({ length: 13 }, (_, grade) => ({
          value: String(grade),
          text: grade === 0 ? "Kindergarten" : `Grade ${gradeName(grade)}`,
          leaves: facets.grade[grade] ?? 0,
        })),
        need.grades.map(String),
        (value) => ({ ...need, grades: toggled(need.grades, Number(value)).sort((a, b) => a - b) }),
      )}{" "}
      in{" "}
      {blank(
        "Subject",
        "subject",
        true,
        everySubject.map((subject) => ({
          value: subject,
          text: capital(subject),
          leaves: facets.subject[subject] ?? 0,
        })),
        need.subjects,
        (value) => ({ ...need, subjects: toggled(need.subjects, value as Need["subjects"][number]) }),
      )}{" "}
      taking{" "}
      {blank(
        "Length",
        "minutes",
        false,
        lengthLimits.map((limit) => ({
          value: String(limit),
          text: `Up to ${limit} minutes`,
          leaves: facets.minutes[limit] ?? 0,
        })),
        need.minutes === null ? [] : [String(need.minutes)],
        (value) => ({ ...need, minutes: need.minutes === Number(value) ? null : Number(value) }),
      )}{" "}
      from{" "}
      {blank(
        "Shelf",
        "shelf",
        false,
        shelves.map((shelf) => ({ value: shelf, text: capital(shelfNames[shelf]), leaves: facets.shelf[shelf] ?? 0 })),
        need.shelf ? [need.shelf] : [],
        (value) => ({ ...need, shelf: need.shelf === value ? null : (value as Need["shelf"]) }),
      )}
    </div>
  );
}
