"use client";
import { ArrowDown, ArrowUp, Plus, Printer, RotateCcw, X } from "lucide-react";
import { Link } from "@/ui/link";
import { useCallback, useEffect, useRef, useState } from "react";
import { dayPictures, type DayPart } from "@/core/day-pictures/day-pictures";
import type { DayInPictures } from "@/server/plan/day-pictures";
import { Button, buttonClasses } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { IconButton } from "@/ui/icon-button";
import { Menu, MenuItem } from "@/ui/menu";
import { tell } from "@/ui/toast";
import { useSettled } from "../adapt/draft/use-settled";
import { keepDayPictures } from "../acts/pictures";
import { pictureIcons } from "./picture-icons";

const MOST = 20;
const SAVE_AFTER_MS = 700;
const newId = () => crypto.randomUUID().slice(0, 13);

/** One part of the day: its picture, what it is, when, and a box to tick. */
function Part({
  part,
  nth,
  last,
  onChange,
  onMove,
  onRemove,
}: {
  part: DayPart;
  nth: number;
  last: boolean;
  onChange: (part: DayPart) => void;
  onMove: (by: 1 | -1) => void;
  onRemove: () => void;
}) {
  const Icon = pictureIcons[part.picture];
  const name = part.text || `part ${nth + 1}`;
  return (
    <li className="flex break-inside-avoid items-center gap-4 rounded-card border border-line bg-card p-3 print:border-current">
      <Menu
        align="start"
        trigger={
          <button
            type="button"
            aria-label={`Picture of ${name}: ${part.picture}. Choose another`}
            className="grid size-20 shrink-0 place-items-center rounded-card border border-line bg-paper hover:border-green"
          >
            <Icon size={52} strokeWidth={1.6} aria-hidden />
          </button>
        }
      >
        <div className="grid max-h-80 grid-cols-2 overflow-auto">
          {dayPictures.map((picture) => {
            const Other = pictureIcons[picture];
            return (
              <MenuItem key={picture} onSelect={() => onChange({ ...part, picture })}>
                <Other size={22} aria-hidden /> {picture}
              </MenuItem>
            );
          })}
        </div>
      </Menu>
      <input
        type="text"
        aria-label={`What part ${nth + 1} is`}
        className="min-w-0 flex-1 rounded-[4px] bg-transparent px-1 font-child text-[22px] hover:ring-1 hover:ring-line"
        maxLength={80}
        value={part.text}
        onChange={(event) => onChange({ ...part, text: event.target.value })}
      />
      <input
        type="text"
        aria-label={`When part ${nth + 1} is`}
        className="numbers w-20 rounded-[4px] bg-transparent px-1 text-[18px] hover:ring-1 hover:ring-line"
        maxLength={20}
        value={part.time}
        onChange={(event) => onChange({ ...part, time: event.target.value })}
      />
      <span aria-hidden className="size-9 shrink-0 rounded-[6px] border-2 border-current" />
      <span className="not-printed flex shrink-0">
        <IconButton name={`Move ${name} up`} small disabled={nth === 0} onClick={() => onMove(-1)}>
          <ArrowUp size={15} aria-hidden />
        </IconButton>
        <IconButton name={`Move ${name} down`} small disabled={last} onClick={() => onMove(1)}>
          <ArrowDown size={15} aria-hidden />
        </IconButton>
        <IconButton name={`Remove ${name}`} small onClick={onRemove}>
          <X size={15} aria-hidden />
        </IconButton>
      </span>
    </li>
  );
}

/** A class's day as pictures with boxes to tick, from the plan and hers to change; kept by itself, and printed. */
export function DayPicturesScreen({
  group,
  className,
  day,
  dayName,
  days,
  start,
}: {
  group: number;
  className: string;
  /** ISO 8601. */
  day: string;
  dayName: string;
  /** The days beside it. */
  days: { before: string; after: string };
  start: DayInPictures;
}) {
  const [parts, setParts] = useState<readonly DayPart[]>(start.kept ?? start.proposed);
  const [saved, setSaved] = useState<"nothing yet" | "saving" | "saved" | "not saved">("nothing yet");
  const settled = useSettled(parts, SAVE_AFTER_MS);
  const kept = useRef<readonly DayPart[] | null>(parts);
  const newest = useRef(parts);
  useEffect(() => {
    newest.current = parts;
  }, [parts]);
  const save = useCallback(
    async (to: readonly DayPart[]) => {
      kept.current = to;
      const outcome = await keepDayPictures({ class: group, day, parts: [...to] });
      // What was not kept is sent again with the next change, by the button, or on the way out.
      if (!outcome.ok && kept.current === to) kept.current = null;
      setSaved(outcome.ok ? (newest.current === to ? "saved" : "saving") : "not saved");
    },
    [group, day],
  );
  useEffect(() => {
    if (settled !== kept.current) void save(settled);
  }, [settled, save]);
  // She goes on to another day before it was kept: it is kept on the way.
  useEffect(
    () => () => {
      if (newest.current !== kept.current) void keepDayPictures({ class: group, day, parts: [...newest.current] });
    },
    [group, day],
  );
  const change = (to: readonly DayPart[]) => {
    setSaved("saving");
    setParts(to);
  };
  const moved = (at: number, by: 1 | -1) => {
    const to = parts.toSpliced(at, 1);
    return to.toSpliced(at + by, 0, parts[at]!);
  };
  const remove = (at: number) => {
    const before = parts;
    change(parts.toSpliced(at, 1));
    tell(`“${parts[at]!.text || "A part"}” is removed.`, () => change(before));
  };
  const address = (to: string) => `/plan/pictures?class=${group}&day=${to}`;
  return (
    <main className="mx-auto flex h-full w-full max-w-4xl flex-col overflow-auto px-6 py-5 print:block print:max-w-none print:p-0">
      <header className="mb-4 flex flex-wrap items-center gap-3">
        <h1 className="flex-1 font-serif text-[24px]">
          {dayName}, {className}
        </h1>
        <span role="status" className="not-printed text-[13px] text-ink-soft">
          {saved === "saving" ? "saving …" : saved === "nothing yet" ? "" : saved}
        </span>
        {saved === "not saved" && (
          <Button size="small" className="not-printed" onClick={() => void save(parts)}>
            Save again
          </Button>
        )}
        <nav aria-label="Days" className="not-printed flex gap-2">
          <Link className={buttonClasses()} href={address(days.before)}>
            The day before
          </Link>
          <Link className={buttonClasses()} href={address(days.after)}>
            The next day
          </Link>
        </nav>
        {parts.length > 0 && (
          <Button look="main" className="not-printed" onClick={() => window.print()}>
            <Printer size={16} aria-hidden /> Print
          </Button>
        )}
      </header>
      {parts.length === 0 && (
        <Empty title="No lessons on this day">Add the parts of the day yourself, or choose another day.</Empty>
      )}
      <ol className="grid gap-2.5" aria-label="The day">
        {parts.map((part, nth) => (
          <Part
            key={part.id}
            {...{ part, nth }}
            last={nth === parts.length - 1}
            onChange={(to) => change(parts.map((one) => (one.id === part.id ? to : one)))}
            onMove={(by) => change(moved(nth, by))}
            onRemove={() => remove(nth)}
          />
        ))}
      </ol>
      <div className="not-printed mt-3 flex gap-2">
        <Button
          disabled={parts.length >= MOST}
          onClick={() => change([...parts, { id: newId(), picture: "group", text: "", time: "" }])}
        >
          <Plus size={16} aria-hidden /> Add a part
        </Button>
        {start.proposed.length > 0 && (
          <Button
            onClick={() => {
              const before = parts;
              change(start.proposed.map((one) => ({ ...one, id: newId() })));
              tell("This is the day from the plan.", () => change(before));
            }}
          >
            <RotateCcw size={16} aria-hidden /> Start again from the plan
          </Button>
        )}
      </div>
      <footer className="mt-6 text-[11px] text-ink-soft">Pictures: Lucide contributors, ISC licence.</footer>
    </main>
  );
}
