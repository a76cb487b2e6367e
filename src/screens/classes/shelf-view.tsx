"use client";
import { Check, Star } from "lucide-react";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import { formatReadingGrade } from "@/core/content/grade";
import { subjects } from "@/core/content/vocabulary";
import { anyReading, readBlank, type Blank } from "@/core/reading/filling";
import type { Subject } from "@/core/resource/document";
import type { Class } from "@/data/classes/classes";
import { closeReadingShelf, lookAtFilling, openReadingShelf, putAtTop } from "@/screens/acts/shelf";
import type { ShelfPage } from "@/server/reading/shelf";
import { Button } from "@/ui/button";
import { Fold } from "@/ui/fold";
import { inputClasses } from "@/ui/field";
import { Notice } from "@/ui/notice";
import { tell, tellProblem } from "@/ui/toast";
import { NumberBox } from "../adapt/editors/number-box";

const days = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];

/** What the shelf is filled with, and how much is to be read. */
function Filling({ group, page }: { group: Class; page: ShelfPage }) {
  const router = useRouter();
  const { shelf, pockets } = page;
  const [pocket, setPocket] = useState<number | null>(shelf?.pocket ?? null);
  const [blank, setBlank] = useState<Blank>(shelf ? readBlank(shelf.blank) : anyReading);
  const [goal, setGoal] = useState(shelf?.goal ?? { minutes: 100, per: "week" as const });
  const [found, setFound] = useState<number | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  useEffect(() => {
    let current = true;
    void lookAtFilling({ class: group.id, pocket, ...blank }).then(
      (outcome) => current && setFound(outcome.ok ? outcome.value.readings : 0),
    );
    return () => {
      current = false;
    };
  }, [group.id, pocket, blank]);
  const open = async () => {
    setBusy(true);
    const outcome = await openReadingShelf({ class: group.id, pocket, ...blank, goal });
    setBusy(false);
    if (!outcome.ok) return setProblem(outcome.problem);
    setProblem(null);
    router.refresh();
    tell(`There are ${outcome.value.readings} readings on the shelf of ${group.name}.`);
  };
  const label = "grid gap-1 text-[13px] text-ink-soft";
  return (
    <div className="grid gap-3">
      {problem && <Notice tone="warning">{problem}</Notice>}
      <div className="flex flex-wrap items-end gap-3">
        <label className={label}>
          Filled from
          <select
            className={inputClasses}
            value={pocket ?? ""}
            onChange={(event) => setPocket(event.target.value ? Number(event.target.value) : null)}
          >
            <option value="">all readings</option>
            {pockets.map(({ id, name }) => (
              <option key={id} value={id}>
                pocket “{name}”
              </option>
            ))}
          </select>
        </label>
        {pocket === null && (
          <>
            <label className={label}>
              Subject
              <select
                className={inputClasses}
                value={blank.subject ?? ""}
                onChange={(event) => setBlank({ ...blank, subject: (event.target.value || null) as Subject | null })}
              >
                <option value="">any</option>
                {subjects.map((one) => (
                  <option key={one}>{one}</option>
                ))}
              </select>
            </label>
            <label className={label}>
              Language
              <select
                className={inputClasses}
                value={blank.language ?? ""}
                onChange={(event) => setBlank({ ...blank, language: event.target.value || null })}
              >
                <option value="">any</option>
                <option value="en">English</option>
                <option value="es">Spanish</option>
              </select>
            </label>
            <label className={label}>
              Level
              <select
                className={inputClasses}
                value={blank.level ? `${blank.level.from}-${blank.level.to}` : ""}
                onChange={(event) => {
                  const [from, to] = event.target.value.split("-").map(Number);
                  setBlank({ ...blank, level: event.target.value ? { from: from!, to: to! } : null });
                }}
              >
                <option value="">any</option>
                {[1, 2, 3, 4, 5, 6, 7].map((grade) => (
                  <option key={grade} value={`${grade - 1}-${grade + 1}`}>
                    reads at about grade {grade}
                  </option>
                ))}
              </select>
            </label>
          </>
        )}
        <label className={label}>
          Reading goal, in minutes
          <span className="flex gap-2">
            <NumberBox
              aria-label="Reading goal in minutes"
              least={1}
              most={600}
              whole
              className="!w-20"
              value={goal.minutes}
              onNumber={(minutes) => setGoal({ ...goal, minutes })}
            />
            <select
              aria-label="Each day or each week"
              className={inputClasses}
              value={goal.per}
              onChange={(event) => setGoal({ ...goal, per: event.target.value as "day" | "week" })}
            >
              <option value="week">a week</option>
              <option value="day">a day</option>
            </select>
          </span>
        </label>
        <Button look="main" disabled={busy || !found} onClick={() => void open()}>
          {shelf ? "Refill it" : "Open the shelf"}
        </Button>
      </div>
      <p role="status" className="text-[13px] text-ink-soft">
        {found === null ? "One moment …" : found === 0 ? "There is nothing to read that fits." : `${found} readings.`}
      </p>
    </div>
  );
}

/** A shelf children choose their reading from: what stands on it, and how they read. */
export function ShelfView({ group, page }: { group: Class; page: ShelfPage }) {
  const router = useRouter();
  const { shelf, readings, readers } = page;
  if (!shelf)
    return (
      <div className="grid max-w-4xl gap-4">
        <h2 className="font-serif text-xl">A shelf to choose from</h2>
        <p>
          Children choose for themselves what they read. They see three readings with a reason (what they like, what
          they read with ease, what classmates have finished), the whole shelf, and their minutes. You see all of it
          here.
        </p>
        <Filling group={group} page={page} />
      </div>
    );
  const close = async (closed: boolean): Promise<void> => {
    const outcome = await closeReadingShelf({ class: group.id, closed });
    if (!outcome.ok) return tellProblem(outcome.problem);
    router.refresh();
    if (closed) tell("The shelf is closed. What children have read is kept.", () => void close(false));
  };
  const top = async (resource: number, on: boolean) => {
    const outcome = await putAtTop({ class: group.id, resource, top: on });
    if (!outcome.ok) return tellProblem(outcome.problem);
    router.refresh();
  };
  const met = readers.filter((row) => row.met).length;
  return (
    <div className="grid gap-6">
      <section aria-labelledby="readers">
        <div className="flex flex-wrap items-center gap-3">
          <h2 id="readers" className="font-serif text-xl">
            {met} of {readers.length} have read {shelf.goal.minutes} minutes{" "}
            {shelf.goal.per === "day" ? "today" : "this week"}
          </h2>
          <Button className="ml-auto" onClick={() => void close(true)}>
            Close the shelf
          </Button>
        </div>
        <div className="mt-2 overflow-x-auto">
          <table className="min-w-full border-separate border-spacing-0 bg-card text-[14px]">
            <caption className="heard">Minutes read, what is read, what each likes</caption>
            <thead>
              <tr className="text-left text-[12px] text-ink-soft [&>th]:border-b [&>th]:border-line [&>th]:bg-shade [&>th]:px-2 [&>th]:py-1.5 [&>th]:font-normal">
                <th scope="col">Student</th>
                {days.map((day) => (
                  <th key={day} scope="col" className="text-right">
                    {day}
                  </th>
                ))}
                <th scope="col" className="text-right">
                  {shelf.goal.per === "day" ? "Today" : "Week"}
                </th>
                <th scope="col">Reads now</th>
                <th scope="col" className="text-right">
                  Finished
                </th>
                <th scope="col">Likes</th>
              </tr>
            </thead>
            <tbody>
              {readers.map((row) => (
                <tr key={row.student} className="[&>*]:border-b [&>*]:border-line [&>*]:px-2 [&>*]:py-1">
                  <th scope="row" className="text-left font-semibold whitespace-nowrap">
                    {row.name}
                  </th>
                  {row.days.map((minutes, nth) => (
                    <td key={nth} className="numbers text-right text-ink-soft">
                      {minutes === null ? "" : minutes === 0 ? "–" : minutes}
                    </td>
                  ))}
                  <td className="numbers text-right font-semibold whitespace-nowrap">
                    {row.met && <Check size={14} aria-label="met" className="mr-1 inline text-green" />}
                    {row.minutes}
                  </td>
                  <td className="max-w-48 truncate" title={row.reading ?? undefined}>
                    {row.reading ?? "–"}
                  </td>
                  <td className="numbers text-right">{row.finished}</td>
                  <td className="max-w-48 truncate text-ink-soft" title={row.likes.join(", ")}>
                    {row.likes.join(", ")}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </section>
      <section aria-labelledby="on-shelf">
        <h2 id="on-shelf" className="font-serif text-xl">
          {readings.length} on the shelf
        </h2>
        <ul className="mt-2 grid gap-1 md:grid-cols-2">
          {readings.map(({ resource, facts, top: on, finished }) => (
            <li key={resource} className="flex items-center gap-2 rounded-card border border-line bg-card px-3 py-1.5">
              <span className="min-w-0 flex-1">
                <span className="block truncate font-semibold" title={facts.title}>
                  {facts.title}
                </span>
                <span className="numbers text-[12px] text-ink-soft">
                  {facts.readingGrade === null ? "" : `reads at ${formatReadingGrade(facts.readingGrade)} · `}
                  {facts.minutes} min · {finished === 1 ? "one has" : `${finished} have`} finished it
                </span>
              </span>
              <Button size="small" aria-pressed={on} onClick={() => void top(resource, !on)}>
                <Star size={14} aria-hidden className={on ? "fill-current" : ""} /> {on ? "At the top" : "To the top"}
                <span className="heard">: {facts.title}</span>
              </Button>
            </li>
          ))}
        </ul>
      </section>
      <Fold title="Refill the shelf, or change the reading goal">
        <Filling group={group} page={page} />
      </Fold>
    </div>
  );
}
