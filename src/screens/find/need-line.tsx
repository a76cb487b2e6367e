"use client";
import type { RefObject } from "react";
import { kinds, subjects } from "@/core/content/vocabulary";
import {
  chosenIn,
  emptied,
  isFilled,
  lengthLimits,
  shelves,
  toggled,
  type Blank as BlankName,
  type Need,
} from "@/core/find/need";
import { kindName, formatBlank, formatCount, shelfNames, type Names } from "@/core/find/format";
import { gradeName } from "@/core/content/grade";
import type { FacetCounts } from "@/core/find/facets";
import { Blank, type BlankOption } from "@/ui/blank";
import { Key } from "@/ui/key";
import { AlsoBlanks } from "./also-blanks";
import { WordsBox } from "./words-box";

/** The search as a sentence with blanks; every blank opens a list that says what each choice would leave. */
export function NeedLine({
  need,
  facets,
  total,
  locale,
  names,
  wordsBox,
  onTyping,
  onChange,
}: {
  need: Need;
  names: Names;
  facets: FacetCounts;
  total: number;
  locale: string;
  wordsBox: RefObject<HTMLInputElement | null>;
  /** Words are being typed, and not asked for yet. */
  onTyping: () => void;
  onChange: (need: Need, typing?: boolean) => void;
}) {
  const blank = (
    name: string,
    which: BlankName,
    several: boolean,
    options: () => BlankOption[],
    chosen: readonly string[],
    choose: (value: string) => Need,
  ) => (
    <Blank
      name={name}
      text={formatBlank(need, which)}
      filled={isFilled(need, which)}
      options={options}
      chosen={chosen}
      several={several}
      total={total}
      say={(count) => formatCount(count, locale)}
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
        () => kinds.map((kind) => ({ value: kind, text: capital(kindName(kind)), leaves: facets.kind[kind] ?? 0 })),
        need.kinds,
        (value) => toggled(need, "kind", value),
      )}{" "}
      about{" "}
      <WordsBox
        words={need.words}
        box={wordsBox}
        onTyping={onTyping}
        onChange={(words) => onChange({ ...need, words }, true)}
      />{" "}
      <span className="inline-flex translate-y-[-4px] align-baseline">
        <Key>/</Key>
      </span>{" "}
      for{" "}
      {blank(
        "Grade",
        "grades",
        true,
        () =>
          Array.from({ length: 13 }, (_, grade) => ({
            value: String(grade),
            text: grade === 0 ? "Kindergarten" : `Grade ${gradeName(grade)}`,
            leaves: facets.grade[grade] ?? 0,
          })),
        chosenIn(need, "grades"),
        (value) => toggled(need, "grades", value),
      )}{" "}
      in{" "}
      {blank(
        "Subject",
        "subject",
        true,
        () =>
          subjects.map((subject) => ({
            value: subject,
            text: capital(subject),
            leaves: facets.subject[subject] ?? 0,
          })),
        need.subjects,
        (value) => toggled(need, "subject", value),
      )}{" "}
      taking{" "}
      {blank(
        "Length",
        "minutes",
        false,
        () =>
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
        () =>
          shelves.map((shelf) => ({
            value: shelf,
            text: capital(shelfNames[shelf]),
            leaves: facets.shelf[shelf] ?? 0,
          })),
        need.shelf ? [need.shelf] : [],
        (value) => ({ ...need, shelf: need.shelf === value ? null : (value as Need["shelf"]) }),
      )}
      <AlsoBlanks need={need} names={names} total={total} locale={locale} onChange={onChange} />
    </div>
  );
}
