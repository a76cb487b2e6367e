"use client";
import { clsx } from "clsx";
import { formatPercent } from "@/core/results/format-percent";
import { ArrowDownRight, ArrowRight, ArrowUpRight, Hourglass, Mail, Mails, Printer, Search } from "lucide-react";
import { Link } from "@/ui/link";
import { forTheseAs } from "@/core/assign/for-these";
import { formatDay } from "@/core/calendar/format-moment";
import { formatGoal, underGoal } from "@/core/results/goal-tag";
import { progressOf, type Point, type Progress } from "@/core/results/progress";
import type { StudentData, StudentPoint } from "@/server/results/student";
import { BlankSelect } from "@/ui/blank-select";
import { Button, buttonClasses } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { Key } from "@/ui/key";
import { useKeys } from "@/ui/keys";
import { PdfButton } from "../results/pdf-button";
import { ResultsPlaces } from "../results/results-places";
import { useAddress } from "../use-address";
import { useAhead } from "../use-ahead";
import { GoalCard } from "./goal-card";
import { Notes } from "./notes";
import { OverTime } from "./over-time";

const arrows = { rose: ArrowUpRight, fell: ArrowDownRight, steady: ArrowRight } as const;
const saysChange = { rose: "up", fell: "down", steady: "steady" } as const;

/** What is filtered by: nothing, a standard ("s MA.5.M.2"), a goal tag ("g tables"), a skill ("k Reason") or a class ("c 12"). */
function chosenPoints(data: StudentData, by: string): readonly Point[] {
  const said = by.slice(2);
  if (by.startsWith("s ")) return data.standards.find(({ code }) => code === said)?.points ?? [];
  if (by.startsWith("g ")) return data.points.filter(({ goals }) => goals.includes(said));
  if (by.startsWith("k ")) return data.skills.find(({ skill }) => skill === said)?.points ?? [];
  if (by.startsWith("c ")) return data.points.filter((point) => point.class === Number(said));
  return data.points;
}

function Level({ progress }: { progress: Progress }) {
  const { level, before, change, because, first, sinceFirst } = progress;
  if (level === null) return null;
  const Arrow = change && arrows[change];
  const SinceFirst = arrows[sinceFirst ?? "steady"];
  return (
    <p className="flex flex-wrap items-baseline gap-x-2 text-[14px]">
      <strong className="numbers text-[22px]">{formatPercent(level)}</strong> in the last{" "}
      {Math.min(3, progress.points.length)} results
      {change && before !== null && Arrow && (
        <span className={change === "fell" ? "text-clay" : change === "rose" ? "text-green" : "text-ink-soft"}>
          <Arrow size={16} aria-hidden className="inline" /> {saysChange[change]}
          {change !== "steady" && ` from ${formatPercent(before)}`}
          {because && `, mostly because of “${because.title}”`}
        </span>
      )}
      {sinceFirst && sinceFirst !== "steady" && sinceFirst !== change && (
        <span className={sinceFirst === "fell" ? "text-clay" : "text-green"}>
          <SinceFirst size={16} aria-hidden className="inline" /> {saysChange[sinceFirst]} from {formatPercent(first!)}{" "}
          in the first 3
        </span>
      )}
    </p>
  );
}

/** How one child is doing over time: the level and every single result, her goals, and what comes next. */
export function StudentScreen({
  data,
  classes,
  group,
  students,
  student,
  me,
  zone,
  now,
}: {
  data: StudentData;
  classes: readonly { id: number; name: string }[];
  group: number;
  students: readonly { id: number; name: string }[];
  student: number;
  /** Who looks. */
  me: number;
  zone: string;
  now: Date;
}) {
  const { go, parameters } = useAddress();
  const by = parameters.get("by") ?? "";
  const stretch = data.stretches.find(({ name: one }) => one === parameters.get("in"));
  const within = <One extends Point>(points: readonly One[]) =>
    stretch ? points.filter(({ at }) => at >= stretch.from && at < stretch.to) : points;
  const progress = progressOf(within(chosenPoints(data, by)));
  const groups = new Map(data.points.map(({ class: id, className }) => [id, className]));
  const tags = [...new Set([...data.points.flatMap(({ goals }) => goals), ...data.goals.map(formatGoal)])].toSorted();
  const name = students.find(({ id }) => id === student)?.name ?? "";
  const about = new Map(data.points.map((point) => [point.assignment, point]));
  const ahead = useAhead(student);
  const show = (id: number, how?: "push") => {
    ahead.choose(id);
    go({ student: id }, how);
  };
  const move = (step: number) => {
    const next = students[students.findIndex(({ id }) => id === ahead.last()) + step];
    if (next) show(next.id);
  };
  useKeys({ j: () => move(1), k: () => move(-1) });
  const standards = data.standards
    .map((one) => ({ ...one, progress: progressOf(within(one.points)) }))
    .filter(({ progress: { level } }) => level !== null)
    .toSorted((one, other) => one.progress.level! - other.progress.level!);
  const next = standards.filter(({ progress: { level } }) => level! < 0.5);
  const findFor = (code: string) => {
    const these = forTheseAs({ class: group, students: [student], follows: null, steps: null });
    return `/find?${new URLSearchParams({ standard: code, undone: String(group), for: these.for! }).toString()}`;
  };
  return (
    <div className="flex h-full flex-col print:block">
      <header className="border-b border-line px-5 pt-2 pb-3 max-md:px-3">
        <ResultsPlaces here="/results/student" />
        <div className="mt-1 flex flex-wrap items-center gap-3">
          <h1 className="min-w-72 flex-1 font-serif text-[23px] leading-snug">
            How{" "}
            <BlankSelect
              name="Student"
              value={String(student)}
              options={students.map((one) => ({ value: String(one.id), text: one.name }))}
              onChange={(id) => show(Number(id), "push")}
            />{" "}
            of{" "}
            <BlankSelect
              name="Class"
              value={String(group)}
              options={classes.map((one) => ({ value: String(one.id), text: one.name }))}
              onChange={(id) => go({ class: id, student: null, by: null }, "push")}
            />{" "}
            is doing in{" "}
            <BlankSelect
              name="What"
              value={by}
              options={[
                { value: "", text: "everything" },
                ...(groups.size > 1 ? [...groups].map(([id, text]) => ({ value: `c ${id}`, text })) : []),
                ...data.standards.map(({ code }) => ({ value: `s ${code}`, text: code })),
                ...tags.map((tag) => ({ value: `g ${tag}`, text: `“${tag}”` })),
                ...data.skills.map(({ skill }) => ({ value: `k ${skill}`, text: skill })),
              ]}
              onChange={(value) => go({ by: value || null }, "push")}
            />
            ,{" "}
            <BlankSelect
              name="When"
              value={stretch?.name ?? ""}
              options={[
                { value: "", text: "all the time" },
                ...data.stretches.map((one) => ({ value: one.name, text: one.name })),
              ]}
              onChange={(value) => go({ in: value || null }, "push")}
            />
          </h1>
          <span className="not-printed flex gap-1" aria-hidden>
            <Key>k</Key>
            <Key>j</Key>
          </span>
          <PdfButton address={`/results/student/${group}/${student}/pdf`} name="student" />
          <Link href={`/letters/${group}/results?students=${student}`} className={clsx(buttonClasses(), "not-printed")}>
            <Mail size={16} aria-hidden /> Letter home
          </Link>
          <Link href={`/letters/${group}/results`} className={clsx(buttonClasses(), "not-printed")}>
            <Mails size={16} aria-hidden /> All {students.length}
          </Link>
          <Button className="not-printed" onClick={() => window.print()}>
            <Printer size={16} aria-hidden /> Print
          </Button>
        </div>
      </header>
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_340px] max-md:grid-cols-1 max-md:overflow-auto print:block">
        <section
          aria-label="Results over time"
          tabIndex={0}
          className="min-w-0 overflow-auto px-5 py-3 max-md:overflow-visible print:overflow-visible"
        >
          {progress.points.length === 0 ? (
            <Empty title="No results yet">What {name} hands in appears here.</Empty>
          ) : (
            <>
              <Level progress={progress} />
              {progress.points.length > 1 && (
                <OverTime
                  progress={progress}
                  label={`Results of ${name} over time: ${progress.points.map(({ share }) => formatPercent(share)).join(", ")}. The table below says the same.`}
                />
              )}
              <ResultsTable {...{ progress, about, zone, now, student }} />
            </>
          )}
        </section>
        <aside
          aria-label="Goals and what comes next"
          tabIndex={0}
          className="overflow-auto border-line bg-shade/40 p-4 md:border-l max-md:overflow-visible"
        >
          <h2 className="font-serif text-[17px]">Goals</h2>
          {data.goals.length === 0 ? (
            <p className="mt-1 text-[13px] text-ink-soft">
              {name} has no goals of their own yet. Under Classes, press the child’s name to add one.
            </p>
          ) : (
            <ul className="mt-2 grid gap-2">
              {data.goals.map((goal) => (
                <GoalCard key={goal.id} {...{ goal, group, zone, now }} points={underGoal(data.points, goal)} />
              ))}
            </ul>
          )}
          <Notes key={student} notes={data.notes} about={{ class: group, student }} {...{ me, zone, now }} />
          <h2 className="mt-4 font-serif text-[17px]">Standards</h2>
          <ul className="mt-1">
            {standards.map(({ code, statement, progress: { level, points } }) => (
              <li key={code} className="border-b border-line py-1.5 text-[13px]">
                <button
                  type="button"
                  className="w-full text-left hover:bg-card"
                  onClick={() => go({ by: `s ${code}` }, "push")}
                >
                  <strong>{code}</strong> <span className="numbers font-semibold">{formatPercent(level!)}</span>{" "}
                  <span className="numbers text-ink-soft">
                    {points.length === 1 ? "one result" : `${points.length} results`}
                  </span>
                  <span className="block text-ink-soft">{statement}</span>
                </button>
              </li>
            ))}
          </ul>
          {data.skills.length > 0 && (
            <>
              <h2 className="mt-4 font-serif text-[17px]">Skills</h2>
              <ul className="mt-1">
                {data.skills.map(({ skill, points }) => (
                  <li key={skill} className="border-b border-line py-1.5 text-[13px]">
                    <button
                      type="button"
                      className="w-full text-left hover:bg-card"
                      onClick={() => go({ by: `k ${skill}` }, "push")}
                    >
                      <strong>{skill}</strong>{" "}
                      <span className="numbers">
                        {within(points)
                          .map(({ gained, outOf }) => `${gained} of ${outOf}`)
                          .join(", ")}
                      </span>
                    </button>
                  </li>
                ))}
              </ul>
            </>
          )}
          {next.length > 0 && (
            <>
              <h2 className="mt-4 font-serif text-[17px]">What comes next</h2>
              <ul className="mt-2 grid gap-2">
                {next.map(({ code }) => (
                  <li key={code}>
                    <Link href={findFor(code)} className={buttonClasses("plain", "small")}>
                      <Search size={14} aria-hidden /> Find for {code}
                    </Link>
                  </li>
                ))}
              </ul>
            </>
          )}
        </aside>
      </div>
    </div>
  );
}

function ResultsTable({
  progress,
  about,
  student,
  zone,
  now,
}: {
  progress: Progress;
  about: ReadonlyMap<number, StudentPoint>;
  student: number;
  zone: string;
  now: Date;
}) {
  return (
    <table className="mt-2 w-full border-separate border-spacing-0 bg-card text-[13px]">
      <caption className="heard">Every result, the latest first</caption>
      <thead>
        <tr className="text-left text-[12px] text-ink-soft [&>*]:border-b [&>*]:border-line [&>*]:bg-shade [&>*]:px-3 [&>*]:py-1.5 [&>*]:font-normal">
          <th scope="col">Handed in</th>
          <th scope="col">Work</th>
          <th scope="col" className="text-right">
            Marks
          </th>
          <th scope="col" className="text-right">
            Share
          </th>
          <th scope="col" className="text-right">
            Min
          </th>
        </tr>
      </thead>
      <tbody>
        {progress.points.toReversed().map(({ assignment, title, at, gained, outOf, share }) => {
          const more = about.get(assignment);
          return (
            <tr key={assignment} className="[&>*]:border-b [&>*]:border-line [&>*]:px-3 [&>*]:py-1.5">
              <td className="numbers whitespace-nowrap text-ink-soft">
                {formatDay(at, zone, now)}
                {more && at > more.due && (
                  <span className="ml-1 inline-flex items-center gap-0.5 font-semibold text-clay">
                    <Hourglass size={12} aria-hidden /> late
                  </span>
                )}
              </td>
              <th scope="row" className="text-left font-normal">
                <Link href={`/results?assignment=${assignment}&view=student&student=${student}`} className="underline">
                  {title}
                </Link>
                {more && <span className="text-ink-soft"> · {more.className}</span>}
              </th>
              <td className="numbers text-right whitespace-nowrap">
                {gained} of {outOf}
              </td>
              <td className="numbers text-right font-semibold">{formatPercent(share)}</td>
              <td className="numbers text-right text-ink-soft">{more ? Math.round(more.minutes) : "–"}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
