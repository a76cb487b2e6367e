"use client";
import { Link } from "@/ui/link";
import { useEffect, useState } from "react";
import { stateOf, type AssignmentState } from "@/core/assign/form";
import { filterWork, workFilters, type WorkFilter } from "@/core/assign/work-filter";
import type { Assignment } from "@/data/assign/assignments";
import type { Class } from "@/data/classes/classes";
import { Button, buttonClasses } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { inputClasses, TextInput } from "@/ui/field";
import { idsFrom } from "@/core/ids";
import { useNoted } from "../use-noted";
import { useAddress } from "../use-address";
import { ManyBar } from "./many-bar";
import { TimesDialog } from "./times-dialog";
import { WorkRow } from "./work-row";

const sections: { state: AssignmentState; title: string; empty: string }[] = [
  { state: "open", title: "Open", empty: "Nothing is open at the moment." },
  { state: "scheduled", title: "Scheduled", empty: "Nothing is coming up." },
  { state: "finished", title: "Finished", empty: "Nothing is past its due date yet." },
  { state: "called back", title: "Called back", empty: "" },
];
const SETTLE_MS = 250;
/** How many of each kind are shown at first. */
const FIRST = 60;

/** One blank of the filter: everything, or one of these. */
function Choice({
  label,
  all,
  value,
  options,
  onChange,
}: {
  label: string;
  all: string;
  value: string | null;
  options: readonly { value: string; text: string }[];
  onChange: (value: string | null) => void;
}) {
  return (
    <select
      aria-label={label}
      className={`${inputClasses} !w-auto max-w-44`}
      value={value ?? ""}
      onChange={(event) => onChange(event.target.value || null)}
    >
      <option value="">{all}</option>
      {options.map(({ value: one, text }) => (
        <option key={one} value={one}>
          {text}
        </option>
      ))}
    </select>
  );
}

/** Words to find work by: found at once, and in the address a moment later. */
function Words({ value, onChange }: { value: string; onChange: (words: string | null) => void }) {
  const [typed, setTyped] = useState(value);
  useEffect(() => {
    if (typed === value) return;
    const timer = setTimeout(() => onChange(typed || null), SETTLE_MS);
    return () => clearTimeout(timer);
  });
  return (
    <TextInput
      type="search"
      aria-label="Words in the work"
      placeholder="a title, a goal …"
      className="!w-52"
      maxLength={120}
      value={typed}
      onChange={(event) => setTyped(event.target.value)}
    />
  );
}

const textOptions = (values: readonly string[]) =>
  [...new Set(values)].sort((one, other) => one.localeCompare(other)).map((value) => ({ value, text: value }));

/** Everything that was given, in one list: open, scheduled, finished; narrowed, and changed many at once. `earlier`: how many more were due some time ago. */
export function WorkList({
  assignments,
  earlier,
  classes,
  students,
  zone,
  now,
}: {
  assignments: Assignment[];
  earlier: number;
  classes: Class[];
  students: readonly { id: number; name: string }[];
  zone: string;
  now: Date;
}) {
  const { go, parameters } = useAddress();
  const [changing, setChanging] = useState<Assignment | null>(null);
  const [whole, setWhole] = useState<readonly AssignmentState[]>([]);
  const [ticked, setTicked] = useState<ReadonlySet<number>>(() => new Set(idsFrom(parameters.get("ticked"))));
  useNoted({ ticked: [...ticked].join(",") || null });
  const filter: WorkFilter = {
    words: parameters.get("words") ?? "",
    state: sections.find(({ state }) => state === parameters.get("state"))?.state ?? null,
    class: Number(parameters.get("class")) || null,
    subject: parameters.get("subject"),
    goal: parameters.get("goal"),
  };
  const shown = filterWork(assignments, filter, now);
  const student = parameters.get("student");
  const narrowed = workFilters.some((name) => parameters.get(name));
  const choose = (name: (typeof workFilters)[number]) => (value: string | null) => go({ [name]: value });
  const chosen = shown.filter(({ id }) => ticked.has(id));
  const tick = (ids: readonly number[], on: boolean) => {
    const next = new Set(ticked);
    for (const id of ids) {
      if (on) next.add(id);
      else next.delete(id);
    }
    setTicked(next);
  };
  return (
    <div className="min-h-0 flex-1 overflow-auto">
      <div className="mx-auto max-w-7xl px-5 py-4">
        <div role="search" aria-label="Work" className="flex flex-wrap items-center gap-2">
          <Words key={filter.words === "" ? "none" : "some"} value={filter.words} onChange={choose("words")} />
          <Choice
            label="State"
            all="any state"
            value={filter.state}
            options={sections.map(({ state, title }) => ({ value: state, text: title.toLowerCase() }))}
            onChange={choose("state")}
          />
          <Choice
            label="Class"
            all="all classes"
            value={filter.class === null ? null : String(filter.class)}
            options={classes.map(({ id, name }) => ({ value: String(id), text: name }))}
            onChange={choose("class")}
          />
          <Choice
            label="Student"
            all="all students"
            value={student}
            options={students.map(({ id, name }) => ({ value: String(id), text: name }))}
            onChange={choose("student")}
          />
          <Choice
            label="Subject"
            all="all subjects"
            value={filter.subject}
            options={textOptions(assignments.flatMap(({ subjects }) => subjects))}
            onChange={choose("subject")}
          />
          <Choice
            label="Goal"
            all="all goals"
            value={filter.goal}
            options={textOptions([...assignments.flatMap(({ goals }) => goals), ...(filter.goal ? [filter.goal] : [])])}
            onChange={choose("goal")}
          />
          {narrowed && (
            <Button
              size="small"
              look="quiet"
              onClick={() => go(Object.fromEntries(workFilters.map((name) => [name, null])))}
            >
              Show everything
            </Button>
          )}
        </div>
        {chosen.length > 0 && <ManyBar chosen={chosen} zone={zone} now={now} onUntick={() => setTicked(new Set())} />}
        {shown.length === 0 && narrowed ? (
          <Empty title="Nothing matches">
            <p>No work matches all of that. Try without one of them.</p>
          </Empty>
        ) : shown.length === 0 && earlier === 0 ? (
          <Empty title="Nothing has been assigned yet">
            <p>Find something, look it over, and press a.</p>
            <Link href="/find" className={buttonClasses("main")}>
              Go to Find
            </Link>
          </Empty>
        ) : (
          sections.map(({ state, title, empty }) => {
            const rows = shown.filter((assignment) => stateOf(assignment, now) === state);
            if (rows.length === 0 && (!empty || narrowed)) return null;
            const listed = whole.includes(state) ? rows : rows.slice(0, FIRST);
            const all = listed.length > 0 && listed.every(({ id }) => ticked.has(id));
            return (
              <section key={state} aria-labelledby={`plan-${state}`} className="mt-4">
                <h2 id={`plan-${state}`} className="mb-1 flex items-baseline gap-2 font-semibold">
                  {title} <span className="numbers text-[13px] font-normal text-ink-soft">{rows.length}</span>
                  {rows.length > 1 && (
                    <Button
                      size="small"
                      look="quiet"
                      onClick={() =>
                        tick(
                          listed.map(({ id }) => id),
                          !all,
                        )
                      }
                    >
                      {all ? "Untick all" : "Tick all"}
                    </Button>
                  )}
                </h2>
                {rows.length === 0 ? (
                  <p className="text-ink-soft">
                    {state === "finished" && earlier > 0 ? "Nothing was due in the last three weeks." : empty}
                  </p>
                ) : (
                  <ul className="rounded-card border border-line border-b-0 bg-card">
                    {listed.map((assignment) => (
                      <WorkRow
                        key={assignment.id}
                        assignment={assignment}
                        state={state}
                        zone={zone}
                        now={now}
                        ticked={ticked.has(assignment.id)}
                        onTick={(on) => tick([assignment.id], on)}
                        onDue={() => setChanging(assignment)}
                      />
                    ))}
                  </ul>
                )}
                <p className="mt-2 flex gap-2 empty:hidden">
                  {listed.length < rows.length && (
                    <Button size="small" onClick={() => setWhole([...whole, state])}>
                      Show all {rows.length}
                    </Button>
                  )}
                  {state === "finished" && earlier > 0 && (
                    <Button size="small" onClick={() => go({ earlier: 1 }, "push")}>
                      {earlier === 1 ? "One that was due earlier" : `${earlier} that were due earlier`}
                    </Button>
                  )}
                </p>
              </section>
            );
          })
        )}
      </div>
      {changing && <TimesDialog assignment={changing} zone={zone} now={now} onClose={() => setChanging(null)} />}
    </div>
  );
}
