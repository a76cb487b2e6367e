"use client";
import { clsx } from "clsx";
import { Download, Printer } from "lucide-react";
import { useRouter } from "next/navigation";
import { gradeName } from "@/core/content/grade";
import { levels, nothingKnown, roomLeft } from "@/core/results/coverage";
import type { CoverageData } from "@/server/results/coverage";
import { BlankSelect } from "@/ui/blank-select";
import { Button, buttonClasses } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { useKeys } from "@/ui/keys";
import { Segmented } from "@/ui/segmented";
import { PdfButton } from "../results/pdf-button";
import { ResultsPlaces } from "../results/results-places";
import { useAddress } from "../use-address";
import { useAhead } from "../use-ahead";
import { areasOf, branchesOf, gradesAsked, gradesIn, lessonsFor } from "@/core/results/branches";
import { CoverageChart } from "./coverage-chart";
import { CoverageTable } from "./coverage-table";
import { EvidencePanel, findFor, missingOf } from "./evidence-panel";
import { LevelSign, levelNames } from "./level-sign";

/** "Mathematics, kindergarten to grade 8" is "Mathematics" in a sentence. */
const shortName = (statement: string) => statement.split(",")[0]!;

/** What classes have covered of an area: planned, taught, assessed, how well; and what is left against the lessons left. */
export function CoverageScreen({
  data,
  classes: all,
  now,
}: {
  data: CoverageData;
  classes: readonly { id: number; name: string }[];
  now: Date;
}) {
  const { framework, frameworks, statements, stretches, stretch, classes, coverage, standings, zone } = data;
  const { go, parameters } = useAddress();
  const router = useRouter();
  const areas = areasOf(statements);
  const area = areas.find(({ code }) => code === parameters.get("area")) ?? areas[0] ?? null;
  const gradeAsked = parameters.get("grade") ?? "theirs";
  const [first, second] = classes;
  const theirs = gradesAsked(null, classes) ?? { from: 0, to: 12 };
  const grades = gradesAsked(parameters.get("grade"), classes);
  const branches = branchesOf(statements, area?.id ?? null, grades);
  const shown = branches.flatMap((branch) => branch.statements);
  const chart = parameters.get("view") === "chart";
  const [openClass, openStandard] = (parameters.get("cell") ?? "").split(".").map(Number);
  const group = classes.find(({ id }) => id === openClass);
  const standard = shown.find(({ id }) => id === openStandard);
  const opened = group && standard ? { class: group.id, standard: standard.id } : null;
  const ahead = useAhead(standard?.id);
  const open = (cell: { class: number; standard: number } | null) => {
    ahead.choose(cell?.standard);
    go({ cell: cell && `${cell.class}.${cell.standard}` });
  };
  const move = (by: number) => {
    const at = shown.findIndex(({ id }) => id === ahead.last());
    const next = shown[at < 0 ? 0 : at + by];
    if (next && first) open({ class: group?.id ?? first.id, standard: next.id });
  };
  useKeys({
    j: () => move(1),
    k: () => move(-1),
    1: () => go({ view: null }),
    2: () => go({ view: "chart" }),
    Escape: () => open(null),
    ...(opened && { f: () => router.push(findFor(standard!, group!.id, missingOf(standings))) }),
  });
  const room =
    first && area
      ? roomLeft(
          lessonsFor(first.lessons, area.statement),
          shown.map(({ id }) => coverage[first.id]?.[id] ?? nothingKnown),
        )
      : null;
  const choose = (at: number, value: string) => {
    const ids = classes.map(({ id }) => String(id));
    if (value === "") ids.splice(at, 1);
    else ids[at] = value;
    go({ classes: [...new Set(ids)].join(","), cell: null }, "push");
  };
  return (
    <div className="flex h-full flex-col print:block">
      <header className="border-b border-line px-5 pt-2 pb-3 max-md:px-3">
        <div className="flex flex-wrap items-center justify-between gap-2">
          <ResultsPlaces here="/results/coverage" />
          {frameworks.length > 1 && (
            <select
              aria-label="Framework"
              value={String(framework?.id)}
              onChange={(event) => go({ framework: event.target.value, area: null, cell: null }, "push")}
              className="max-w-80 rounded-card bg-transparent px-1 py-1 text-[13px] text-ink-soft hover:bg-card/60"
            >
              {frameworks.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          )}
        </div>
        <div className="mt-1 flex flex-wrap items-center gap-3">
          <h1 className="min-w-72 flex-1 font-serif text-[23px] leading-snug">
            What{" "}
            <BlankSelect
              name="Class"
              value={String(first?.id)}
              options={all.map(({ id, name }) => ({ value: String(id), text: name }))}
              onChange={(value) => choose(0, value)}
            />
            {all.length > 1 && (
              <>
                {second ? " and " : " "}
                <BlankSelect
                  name="Second class"
                  value={second ? String(second.id) : ""}
                  options={[
                    { value: "", text: second ? "no other class" : "(and another class)" },
                    ...all
                      .filter(({ id }) => id !== first?.id)
                      .map(({ id, name }) => ({ value: String(id), text: name })),
                  ]}
                  onChange={(value) => choose(1, value)}
                />
              </>
            )}{" "}
            covered of{" "}
            <span className="whitespace-nowrap">
              <BlankSelect
                name="Area"
                value={area?.code ?? ""}
                options={areas.map(({ code, statement }) => ({
                  value: code,
                  text: shortName(statement).toLowerCase(),
                }))}
                onChange={(code) => go({ area: code, cell: null }, "push")}
              />
              ,
            </span>{" "}
            <BlankSelect
              name="Grade"
              value={gradeAsked}
              options={[
                {
                  value: "theirs",
                  text:
                    theirs.from === theirs.to
                      ? `grade ${gradeName(theirs.from)}`
                      : `grades ${gradeName(theirs.from)} to ${gradeName(theirs.to)}`,
                },
                ...gradesIn(statements)
                  .filter((grade) => theirs.from !== theirs.to || grade !== theirs.from)
                  .map((grade) => ({ value: String(grade), text: `grade ${gradeName(grade)}` })),
                { value: "all", text: "every grade" },
              ]}
              onChange={(grade) => go({ grade: grade === "theirs" ? null : grade, cell: null }, "push")}
            />{" "}
            in{" "}
            <BlankSelect
              name="When"
              value={stretch.name}
              options={stretches.map(({ name }) => ({ value: name, text: name }))}
              onChange={(name) => go({ in: name, cell: null }, "push")}
            />
          </h1>
          <Segmented
            label="How it is shown"
            value={chart ? "chart" : "table"}
            options={[
              { value: "table", text: "Table" },
              { value: "chart", text: "Chart" },
            ]}
            onChange={(view) => go({ view: view === "chart" ? "chart" : null })}
          />
          <Button className="not-printed" onClick={() => window.print()}>
            <Printer size={16} aria-hidden /> Print
          </Button>
          <PdfButton
            address={`/results/coverage/${classes.map(({ id }) => id).join(",")}/pdf?${parameters.toString()}`}
            name="coverage"
          />
          <a
            href={`/results/coverage/${classes.map(({ id }) => id).join(",")}/csv?${parameters.toString()}`}
            download
            className={clsx(buttonClasses(), "not-printed")}
          >
            <Download size={16} aria-hidden /> CSV
          </a>
        </div>
      </header>
      <div className="flex flex-wrap items-center gap-x-6 gap-y-1 border-b border-line px-5 py-2 text-[13px]">
        {room && (
          <p className="numbers">
            <strong className="text-[15px]">{room.lessons}</strong> lessons left,{" "}
            <strong className="text-[15px]">{room.open}</strong> {room.open === 1 ? "statement" : "statements"} open
            {room.each !== null && (
              <strong>
                :{" "}
                {room.each === 0
                  ? "fewer lessons than statements"
                  : `${room.each} ${room.each === 1 ? "lesson" : "lessons"} each, ${room.over} over`}
              </strong>
            )}
          </p>
        )}
        <ul aria-label="What the signs mean" className="ml-auto flex flex-wrap gap-x-4 text-[12px] text-ink-soft">
          {levels
            .filter((level) => level !== "nothing")
            .toReversed()
            .map((level) => (
              <li key={level} className="flex items-center gap-1.5">
                <LevelSign level={level} /> {levelNames[level]}
              </li>
            ))}
        </ul>
      </div>
      <div className="flex min-h-0 flex-1">
        <div
          tabIndex={0}
          role="region"
          aria-label="Coverage"
          className={clsx("min-w-0 flex-1 overflow-auto print:overflow-visible", opened && "max-md:hidden")}
        >
          {shown.length === 0 ? (
            <Empty title="No statements here">Choose another area or grade.</Empty>
          ) : chart ? (
            <CoverageChart branches={branches} classes={classes} coverage={coverage} />
          ) : (
            <CoverageTable
              {...{ branches, classes, coverage, opened }}
              onOpen={(cell) => open(opened?.class === cell.class && opened.standard === cell.standard ? null : cell)}
            />
          )}
        </div>
        {opened && standard && group && (
          <EvidencePanel
            key={`${opened.class} ${opened.standard}`}
            standard={standard}
            group={group}
            cell={coverage[group.id]?.[standard.id] ?? nothingKnown}
            {...{ standings, zone, now }}
            onClose={() => open(null)}
          />
        )}
      </div>
    </div>
  );
}
