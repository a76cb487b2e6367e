"use client";
import { ChevronDown, KeyRound, Plus } from "lucide-react";
import { Link } from "@/ui/link";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import type { ClassSaid } from "@/core/roster/class-said";
import type { PastClass } from "@/data/classes/class-said";
import type { Class, JoinCode, Student } from "@/data/classes/classes";
import type { Seat } from "@/data/classes/groups";
import type { StudentGoal, StudentGroup } from "@/data/plan/plan";
import type { ShelfPage } from "@/server/reading/shelf";
import { bringClassBack, changeClass, makeClass, putClassAway } from "@/screens/acts/class-said";
import { orTell } from "@/screens/acts/tried";
import { startJoinCode } from "@/screens/acts/classes";
import { Button } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { Segmented } from "@/ui/segmented";
import { Menu, MenuItem } from "@/ui/menu";
import { tell, tellProblem } from "@/ui/toast";
import { useAddress } from "../use-address";
import { ClassDialog } from "./class-dialog";
import { ClassEntry, PastClasses, PastView, type PastShown } from "./past-view";
import type { ClassView } from "./class-views";
import { GroupsView } from "./groups-view";
import { RosterView } from "./roster-view";
import { SeatsView } from "./seats-view";
import { ShelfView } from "./shelf-view";
import { WaysIn } from "./ways-in";

export interface ClassScreenProps {
  classes: Class[];
  group: Class | null;
  view: ClassView;
  students: Student[];
  goals: StudentGoal[];
  groups: StudentGroup[];
  apart: [number, number][];
  /** By student, the share of marks in the last piece of work. */
  lastResults: Record<number, number>;
  seats: Seat[];
  teachers: { name: string; role: string; from: string | null; to: string | null }[];
  /** Decides who is in it; anyone who covers the class does not. */
  keeps: boolean;
  code: JoinCode | null;
  feed: boolean;
  zone: string;
  /** What is said of the class that is open. */
  said: ClassSaid | null;
  pastClasses: PastClass[];
  past: PastShown | null;
  now: Date;
  /** Its shelf of readings, where that is looked at. */
  shelf: ShelfPage | null;
  /** Where students type the code, as it is opened. */
  joinLink: string;
}

const roles: Record<string, string> = { lead: "leads it", "co-teacher": "teaches it too", cover: "covers it" };

/** The one thing a teacher does here every day, one press away in every view. */
function LetIn({ group, code, onIn }: { group: Class; code: JoinCode | null; onIn: () => void }) {
  const [busy, start] = useTransition();
  const router = useRouter();
  const letIn = () =>
    start(async () => {
      // A code that lives already is shown and not replaced: children may be typing it.
      const outcome = code ? { ok: true as const } : await startJoinCode({ class: group.id });
      if (!outcome.ok) return tellProblem(outcome.problem);
      router.refresh();
      onIn();
    });
  return (
    <Button look="main" disabled={busy} onClick={letIn}>
      <KeyRound size={15} aria-hidden /> {busy ? "One moment …" : code ? `Code ${code.code}` : "Let students in"}
    </Button>
  );
}

export function ClassScreen(props: ClassScreenProps) {
  const { classes, group, students } = props;
  const open = props.past ? null : group?.id;
  const [dialog, setDialog] = useState<"make" | "change" | null>(null);
  const router = useRouter();
  const making = dialog === "make" && (
    <ClassDialog
      title="Make a class or a group"
      measured={null}
      onKeep={(said) => makeClass({ said })}
      onKept={(made) => router.push(`/classes?class=${made}`)}
      onClose={() => setDialog(null)}
    />
  );
  if (!group && !props.past)
    return (
      <Empty title="You have no class yet">
        <p>The school office adds you to one, or you make it yourself.</p>
        <Button onClick={() => setDialog("make")}>Make a class</Button>
        {making}
      </Empty>
    );
  return (
    <div className="grid h-full grid-cols-[220px_minmax(0,1fr)] max-md:grid-cols-1 max-md:grid-rows-[auto_minmax(0,1fr)] print:block">
      <nav aria-label="My classes" className="not-printed overflow-auto bg-shade/60 p-2 max-md:max-h-32">
        <ul className="grid gap-0.5">
          {classes.map((one) => (
            <li key={one.id}>
              <ClassEntry
                href={`/classes?class=${one.id}`}
                open={one.id === open}
                name={one.name}
                about={`${one.subject} · ${one.students} students`}
              />
            </li>
          ))}
        </ul>
        <Button size="small" look="quiet" className="mt-1" onClick={() => setDialog("make")}>
          <Plus size={14} aria-hidden /> Make a class or group
        </Button>
        <PastClasses past={props.pastClasses} open={props.past?.id ?? null} />
      </nav>
      {making}
      {props.past ? (
        <PastView past={props.past} zone={props.zone} now={props.now} />
      ) : (
        group && <CurrentClass {...props} group={group} onChange={() => setDialog("change")} />
      )}
      {dialog === "change" && group && (
        <ClassDialog
          title={group.name}
          said={props.said!}
          measured={measuredOf(students)}
          onKeep={(said) => changeClass({ class: group.id, said })}
          onClose={() => setDialog(null)}
        />
      )}
    </div>
  );
}

/** What the weakest and the strongest of them read at; null: nobody measured. */
function measuredOf(students: readonly Student[]): { from: number; to: number } | null {
  const grades = students.flatMap(({ readingGrade }) => readingGrade ?? []);
  return grades.length > 0 ? { from: Math.min(...grades), to: Math.max(...grades) } : null;
}

function CurrentClass(props: ClassScreenProps & { group: Class; onChange: () => void }) {
  const { group, students, view } = props;
  const { go } = useAddress();
  const router = useRouter();
  const putAway = async () => {
    const outcome = await putClassAway({ class: group.id });
    if (!outcome.ok) return tellProblem(outcome.problem);
    router.push("/classes");
    tell(`${group.name} is put away. Its work and results are kept.`, async () => {
      await orTell(bringClassBack({ class: group.id }));
      router.push(`/classes?class=${group.id}`);
    });
  };
  return (
    <div className="relative min-w-0 overflow-auto px-6 py-5 max-md:px-3 print:overflow-visible print:p-0">
      <div className="not-printed flex flex-wrap items-end gap-x-4 gap-y-2">
        <div className="min-w-0 flex-1 max-md:basis-full">
          <h1 className="font-serif text-[22px]">{group.name}</h1>
          <p className="text-ink-soft">
            {group.homeroom && "homeroom · "}
            {group.subject} · {students.length} students · lessons of {group.periodMinutes} minutes ·{" "}
            {props.teachers.map(({ name, role }) => `${name} ${roles[role]}`).join(", ")} ·{" "}
            <Link href={`/plan?view=list&class=${group.id}`} className="text-green underline">
              what they have been assigned
            </Link>
          </p>
        </div>
        {props.keeps && (
          <Menu
            trigger={
              <Button>
                More <ChevronDown size={14} aria-hidden />
              </Button>
            }
          >
            <MenuItem onSelect={props.onChange}>Change name, grades, devices …</MenuItem>
            <MenuItem onSelect={() => void putAway()}>Put the class away</MenuItem>
          </Menu>
        )}
        <LetIn group={group} code={props.code} onIn={() => go({ view: "ways in" }, "push")} />
        <Segmented
          label="Of this class"
          value={view}
          onChange={(next) => go({ view: next === "roster" ? null : next }, "push")}
          options={[
            { value: "roster", text: "Roster" },
            { value: "groups", text: "Groups" },
            { value: "seats", text: "Seating plan" },
            { value: "ways in", text: "Ways in" },
            { value: "reading", text: "Reading shelf" },
          ]}
        />
      </div>
      <div key={group.id} className="mt-4">
        {view === "roster" && (
          <RosterView
            group={group}
            students={students}
            goals={props.goals}
            keeps={props.keeps}
            others={props.classes.length > 1}
          />
        )}
        {view === "groups" && (
          <GroupsView
            group={group}
            students={students}
            groups={props.groups}
            apart={props.apart}
            lastResults={props.lastResults}
          />
        )}
        {view === "seats" && <SeatsView group={group} students={students} seats={props.seats} />}
        {view === "reading" && props.shelf && <ShelfView group={group} page={props.shelf} />}
        {view === "ways in" && (
          <WaysIn
            group={group}
            keeps={props.keeps}
            students={students}
            code={props.code}
            feed={props.feed}
            zone={props.zone}
            joinLink={props.joinLink}
          />
        )}
      </div>
    </div>
  );
}
