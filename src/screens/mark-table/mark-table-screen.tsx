"use client";
import { clsx } from "clsx";
import { Download, Printer } from "lucide-react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { MarkColumn, MarkRow } from "@/core/results/mark-table";
import { changeWeight, excuse } from "@/screens/acts/mark-table";
import type { MarkTableData } from "@/server/results/mark-table";
import { BlankSelect } from "@/ui/blank-select";
import { Button, buttonClasses } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { useKeys } from "@/ui/keys";
import { Menu, MenuItem } from "@/ui/menu";
import { Segmented } from "@/ui/segmented";
import { tell, tellProblem } from "@/ui/toast";
import { saveFile } from "../results/pdf-button";
import { ResultsPlaces } from "../results/results-places";
import { useAddress } from "../use-address";
import { ClassOverTime } from "./class-over-time";
import { GoalsDialog } from "./goals-dialog";
import { MarksGrid, type MarkSort } from "./marks-grid";
import { RulesLine } from "./rules-line";

/** What a class gained over weeks: each child's marks in each piece of work with a total, or the class as a line. */
export function MarkTableScreen({
  data,
  group,
  classes,
  now,
}: {
  data: MarkTableData;
  group: { id: number; name: string };
  classes: readonly { id: number; name: string }[];
  now: Date;
}) {
  const { table, rules, stretches, stretch, goals, zone } = data;
  const { go, parameters } = useAddress();
  const router = useRouter();
  const [sort, setSort] = useState<MarkSort>({ by: "name", down: false });
  const [goalsOpen, setGoalsOpen] = useState(false);
  const chart = parameters.get("view") === "chart";
  const goal = parameters.get("goal");
  const { columns } = table;
  const rows =
    sort.by === "name"
      ? sort.down
        ? table.rows.toReversed()
        : table.rows
      : table.rows.toSorted((one, other) => {
          // Who has no total comes last, whichever way.
          if (one.share === null || other.share === null)
            return Number(one.share === null) - Number(other.share === null);
          return (one.share - other.share) * (sort.down ? -1 : 1);
        });
  useKeys({ 1: () => go({ view: null }), 2: () => go({ view: "chart" }) });

  const weigh = async (column: MarkColumn, weight: number, undone = false) => {
    const { work } = column;
    const before = work.weight;
    const outcome = await changeWeight({ assignment: work.id, weight });
    if (!outcome.ok) return tellProblem(outcome.problem);
    if (!undone)
      tell(
        weight === 0 ? `“${work.title}” does not count.` : `“${work.title}” counts × ${weight / 100}.`,
        () => void weigh(column, before, true),
      );
    router.refresh();
  };
  const excuseFrom = async (row: MarkRow, column: MarkColumn, excused: boolean, undone = false) => {
    const outcome = await excuse({ assignment: column.work.id, student: row.student.id, excused });
    if (!outcome.ok) return tellProblem(outcome.problem);
    if (!undone)
      tell(
        excused
          ? `${row.student.name} is excused from “${column.work.title}”.`
          : `${row.student.name} is not excused from “${column.work.title}” any more.`,
        () => void excuseFrom(row, column, !excused, true),
      );
    router.refresh();
  };
  const save = (kind: "csv" | "xlsx" | "pdf", names: boolean) => {
    const said = new URLSearchParams(parameters);
    if (!names) said.set("names", "none");
    return saveFile(`/results/marks/${group.id}/${kind}?${said}`, `marks.${kind}`);
  };
  return (
    <div className="flex h-full flex-col print:block">
      <header className="border-b border-line px-5 pt-2 pb-3 max-md:px-3">
        <ResultsPlaces here="/results/marks" />
        <div className="mt-1 flex flex-wrap items-center gap-3">
          <h1 className="min-w-72 flex-1 font-serif text-[23px] leading-snug">
            How{" "}
            <BlankSelect
              name="Class"
              value={String(group.id)}
              options={classes.map(({ id, name }) => ({ value: String(id), text: name }))}
              onChange={(id) => go({ class: id, goal: null }, "push")}
            />{" "}
            did in{" "}
            <BlankSelect
              name="When"
              value={stretch.name}
              options={stretches.map(({ name }) => ({ value: name, text: name }))}
              onChange={(name) => go({ in: name, goal: null }, "push")}
            />
            {(goals.length > 0 || goal) && (
              <>
                , for{" "}
                <BlankSelect
                  name="Goal"
                  value={goal ?? ""}
                  options={[
                    { value: "", text: "every goal" },
                    ...[...new Set([...goals, ...(goal ? [goal] : [])])].map((tag) => ({ value: tag, text: tag })),
                  ]}
                  onChange={(tag) => go({ goal: tag || null }, "push")}
                />
              </>
            )}
          </h1>
          <Segmented
            label="How it is shown"
            value={chart ? "chart" : "table"}
            options={[
              { value: "table", text: "Table" },
              { value: "chart", text: "Over time" },
            ]}
            onChange={(view) => go({ view: view === "chart" ? "chart" : null })}
          />
          <Button className="not-printed" onClick={() => setGoalsOpen(true)}>
            Goals …
          </Button>
          <Button className="not-printed" onClick={() => window.print()}>
            <Printer size={16} aria-hidden /> Print
          </Button>
          <Menu
            trigger={
              <button type="button" className={clsx(buttonClasses(), "not-printed")}>
                <Download size={16} aria-hidden /> Export
              </button>
            }
          >
            <MenuItem onSelect={() => void save("xlsx", true)}>Spreadsheet (XLSX)</MenuItem>
            <MenuItem onSelect={() => void save("csv", true)}>CSV</MenuItem>
            <MenuItem onSelect={() => void save("pdf", true)}>PDF</MenuItem>
            <MenuItem onSelect={() => void save("xlsx", false)}>Spreadsheet without names</MenuItem>
            <MenuItem onSelect={() => void save("csv", false)}>CSV without names</MenuItem>
            <MenuItem onSelect={() => void save("pdf", false)}>PDF without names</MenuItem>
            <MenuItem
              onSelect={() =>
                void saveFile(`/results/marks/${group.id}/one-roster?${parameters}`, "one-roster-results.zip")
              }
            >
              OneRoster, for the school’s register
            </MenuItem>
          </Menu>
        </div>
        {goalsOpen && <GoalsDialog onClose={() => setGoalsOpen(false)} />}
        <div className="mt-1">
          <RulesLine group={group.id} rules={rules} />
        </div>
      </header>
      <div
        tabIndex={0}
        role="region"
        aria-label="Marks"
        className="min-h-0 flex-1 overflow-auto print:overflow-visible"
      >
        {rows.length === 0 ? (
          <Empty title="Nobody is in this class yet">Add students under Classes.</Empty>
        ) : columns.length === 0 ? (
          <Empty title="Nothing was assigned then">
            {goal ? "Choose another goal, or another time." : "Choose another time, or assign something."}
          </Empty>
        ) : chart ? (
          <ClassOverTime columns={columns} label={`How ${group.name} did over ${stretch.name}`} />
        ) : (
          <MarksGrid
            {...{ rows, columns, sort, zone, now }}
            group={group.id}
            onSort={(by) => setSort({ by, down: sort.by === by ? !sort.down : by === "total" })}
            onAnswers={(row, column) =>
              router.push(`/results?assignment=${column.work.id}&view=student&student=${row.student.id}`)
            }
            onWeight={(column, weight) => void weigh(column, weight)}
            onExcuse={(row, column, excused) => void excuseFrom(row, column, excused)}
          />
        )}
      </div>
    </div>
  );
}
