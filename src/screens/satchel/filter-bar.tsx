"use client";
import { Search, SlidersHorizontal, X } from "lucide-react";
import { useState } from "react";
import { languageName } from "@/core/locale/names";
import { gradeName } from "@/core/content/grade";
import { licenceWord } from "@/core/find/format";
import type { Licence } from "@/core/resource/document";
import {
  anyFilter,
  filterNames,
  satchelChoices,
  type FilterName,
  type Kept,
  type SatchelFilter,
} from "@/core/satchel/filter";
import { Button } from "@/ui/button";
import { inputClasses } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";

const names: Record<FilterName, string> = {
  origin: "Whose",
  kind: "Kind",
  subject: "Subject",
  grade: "Grade",
  language: "Language",
  licence: "Licence",
  used: "Used",
  tag: "My label",
};
const origins: Record<string, string> = {
  made: "made by me",
  adapted: "my versions",
  packed: "packed",
  together: "from others",
};

function said(name: FilterName, value: string | number): string {
  if (name === "grade") return gradeName(Number(value));
  if (name === "language") return languageName(String(value));
  if (name === "licence") return licenceWord(value as Licence);
  return name === "origin" ? origins[value]! : String(value);
}

/** A search within the satchel, and behind a button what else narrows it; each choice says how many it leaves. */
export function FilterBar({
  items,
  filter,
  now,
  onFilter,
}: {
  items: readonly Kept[];
  filter: SatchelFilter;
  now: Date;
  onFilter: (filter: SatchelFilter) => void;
}) {
  const filled = filterNames.filter((name) => filter[name] !== null);
  const [open, setOpen] = useState(filled.length > 0);
  return (
    <div className="not-printed border-b border-line px-4 pb-2">
      <div className="flex items-center gap-2">
        <div className="relative min-w-0 flex-1">
          <Search size={15} aria-hidden className="absolute top-2.5 left-2.5 text-ink-soft" />
          <input
            type="search"
            aria-label="Words in my satchel"
            placeholder="in my satchel …"
            value={filter.words}
            maxLength={200}
            onChange={(event) => onFilter({ ...filter, words: event.target.value })}
            className={`${inputClasses} !pl-8`}
          />
        </div>
        <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
          <SlidersHorizontal size={14} aria-hidden /> Narrow{filled.length > 0 && ` (${filled.length})`}
        </Button>
        {(filled.length > 0 || filter.words !== "") && (
          <IconButton name="Show all again" small onClick={() => onFilter(anyFilter)}>
            <X size={14} aria-hidden />
          </IconButton>
        )}
      </div>
      {open && (
        <div className="mt-2 grid grid-cols-4 gap-2">
          {filterNames.map((name) => (
            <label key={name} className="grid text-[12px] text-ink-soft">
              {names[name]}
              <select
                value={String(filter[name] ?? "")}
                onChange={(event) => {
                  const { value } = event.target;
                  const chosen = value === "" ? null : name === "grade" ? Number(value) : value;
                  onFilter({ ...filter, [name]: chosen } as SatchelFilter);
                }}
                className={`${inputClasses} !min-h-8 !px-1.5 text-[13px] text-ink`}
              >
                <option value="">any</option>
                {satchelChoices(items, filter, name, now).map(({ value, leaves }) => (
                  <option key={value} value={String(value)}>
                    {said(name, value)} ({leaves})
                  </option>
                ))}
              </select>
            </label>
          ))}
        </div>
      )}
    </div>
  );
}
