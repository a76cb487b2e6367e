"use client";
import { clsx } from "clsx";
import { Link } from "@/ui/link";
import { useMemo, useState } from "react";
import { analyse } from "@/core/results/items";
import { missedTogether } from "@/core/results/missed";
import type { TryHistory } from "@/core/results/one-student";
import { paceOf } from "@/core/results/pace";
import { sortedRows } from "@/core/results/sort-rows";
import type { ResultTable } from "@/core/results/table";
import type { Assignment } from "@/data/assign/assignments";
import type { StudentGroup } from "@/data/plan/plan";
import type { KeptCorrection } from "@/data/results/corrections";
import type { Around } from "@/server/results/around";
import type { Marking } from "@/server/marking/marking";
import { buttonClasses } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { useKeys } from "@/ui/keys";
import { MarkingView, questionsToMark } from "../marking/marking-view";
import { useAddress } from "../use-address";
import { useAhead } from "../use-ahead";
import { useLive } from "../use-live";
import { AnswerBeside } from "./answer-beside";
import { AssignmentList } from "./assignment-list";
import { Compared } from "./compared";
import { GroupChoice } from "./group-choice";
import { GuestNotice } from "./guest-notice";
import { LateNotice } from "./late-notice";
import { MendQuestion } from "./mend-question";
import { NextStrip } from "./next-strip";
import { OneStudent } from "./one-student";
import { promptOf, QuestionList } from "./question-list";
import { QuestionPanel } from "./question-panel";
import { ResultsPlaces } from "./results-places";
import { ResultsHeader, resultsView, type ResultsView } from "./results-header";
import { StandardsView } from "./standards-view";
import { StudentsTable, type Sort } from "./students-table";
import { WhatNext } from "./what-next";

export interface ResultsScreenProps {
  assignments: Assignment[];
  /** There are earlier ones. */
  more: boolean;
  shown: Shown | null;
  zone: string;
  now: Date;
  locale: string;
}

/** The piece of work whose results are shown, with everything around it. */
export interface Shown {
  assignment: Assignment;
  table: ResultTable;
  /** The resource that was assigned, where it is her own version. */
  own: number | null;
  /** What was changed about its questions since. */
  corrections: readonly KeptCorrection[];
  around: Around;
  /** The class's groups. */
  groups: readonly StudentGroup[];
  /** Everything one child did, where one is asked for. */
  one: { student: number; tries: readonly TryHistory[] } | null;
  /** What marking by hand needs, where that is what is shown. */
  marking: Marking | null;
  /** Guests who did it, and students who have it and have not begun. */
  guests: readonly { id: number; name: string }[];
  free: readonly { id: number; name: string }[];
}

/** What came back, up to date while they work; every mark opens the answer it was given for. */
export function ResultsScreen({ assignments, more, shown, ...rest }: ResultsScreenProps) {
  if (!shown) {
    return (
      <Empty title="No answers yet">
        <p>When students answer, their work appears here as they go.</p>
        <Link href="/plan" className={buttonClasses()}>
          What my classes have
        </Link>
      </Empty>
    );
  }
  return (
    <div className="grid h-full grid-cols-[230px_minmax(0,1fr)] max-md:grid-cols-1 max-md:grid-rows-[auto_minmax(0,1fr)] print:block">
      <div className="flex min-h-0 min-w-0 flex-col bg-shade/60">
        <div className="px-2 pt-2">
          <ResultsPlaces here="/results" />
        </div>
        <AssignmentList
          assignments={assignments}
          more={more}
          here={shown.assignment.id}
          zone={rest.zone}
          now={rest.now}
        />
      </div>
      <OneResult key={shown.assignment.id} {...shown} {...rest} />
    </div>
  );
}

function OneResult(props: Shown & Omit<ResultsScreenProps, "assignments" | "more" | "shown">) {
  const { assignment, own, table, corrections, around, groups, one, marking, guests, free, zone, now, locale } = props;
  const { go, parameters } = useAddress();
  const view = resultsView(parameters.get("view"));
  const analysis = useMemo(() => analyse(table), [table]);
  const pace = useMemo(() => paceOf(table), [table]);
  const missed = useMemo(() => missedTogether(table, analysis, around), [table, analysis, around]);
  const [sort, setSort] = useState<Sort>({ by: { column: "name" }, down: false });
  const [group, setGroup] = useState<number | null>(null);
  const [question, setQuestion] = useState<string | null>(null);
  const [opened, setOpened] = useState<{ student: number; question: string } | null>(null);
  const next = parameters.get("next") !== null;
  const at = analysis.items.findIndex(({ id }) => id === question);
  const item = analysis.items[at];
  const members = groups.find(({ id }) => id === group)?.students;
  const rows = useMemo(
    () =>
      sortedRows(
        table.rows.filter(({ student }) => !members || members.includes(student.id)),
        sort.by,
        sort.down,
      ),
    [table, members, sort],
  );
  const asked = one?.student ?? rows[0]?.student.id;

  const closeAll = () => {
    setQuestion(null);
    setOpened(null);
  };
  const show = (to: ResultsView, student = asked) => {
    closeAll();
    go(
      {
        ...{ view: to === "students" ? null : to, question: null, next: null },
        student: to === "student" && student ? student : null,
      },
      "push",
    );
  };
  const openQuestion = (id: string | null) => {
    closeAll();
    if (next) go({ next: null });
    setQuestion(id);
  };
  const openNext = () => {
    closeAll();
    go({ next: next ? null : 1 }, "push");
  };
  const moveQuestion = (by: number) => {
    const to = analysis.items[at < 0 ? 0 : at + by];
    if (to) openQuestion(to.id);
  };
  const ahead = useAhead(asked);
  const showStudent = (student: number) => {
    ahead.choose(student);
    go({ student });
  };
  const moveStudent = (by: number) => {
    const to = rows[rows.findIndex(({ student }) => student.id === ahead.last()) + by];
    if (to) showStudent(to.student.id);
  };
  const toMark = questionsToMark(table).length > 0;
  // While she marks, numbers are levels and marks.
  const marks = view === "marking" && marking !== null && !next;
  useKeys({
    ...(!marks && {
      1: () => show("students"),
      2: () => show("questions"),
      3: () => show("student"),
      4: () => show("standards"),
      ...(toMark && { 5: () => show("marking") }),
    }),
    n: openNext,
    ...(!next &&
      !marks && {
        j: () => (view === "student" ? moveStudent(1) : moveQuestion(1)),
        k: () => (view === "student" ? moveStudent(-1) : moveQuestion(-1)),
        Escape: closeAll,
      }),
  });
  // Late work counts too: whatever was not called back may still come in.
  useLive(assignment.calledBack ? null : `/results/${assignment.id}/live`);
  const beside = next || item || opened;
  return (
    <div className="flex min-h-0 min-w-0 flex-col">
      <ResultsHeader {...{ assignment, view, zone, now }} marked={toMark} onView={show}>
        {(view === "students" || view === "student" || view === "marking") && (
          <GroupChoice groups={groups} chosen={group} onChoose={setGroup} />
        )}
      </ResultsHeader>
      {around.before && <Compared before={around.before} />}
      <LateNotice assignment={assignment.id} table={table} />
      <GuestNotice assignment={assignment.id} guests={guests} free={free} />
      <div className="flex min-h-0 flex-1 border-t border-line">
        <div
          // On a phone what is opened takes the place of what it was opened from.
          className={clsx("min-w-0 flex-1 overflow-auto print:overflow-visible", beside && "max-md:hidden print:block")}
          tabIndex={0}
          role="region"
          aria-label="Results"
        >
          {view === "marking" && marking ? (
            <MarkingView
              {...{ table, rows, marking, corrections }}
              assignment={assignment.id}
              onLeave={() => show("students")}
            />
          ) : view === "questions" ? (
            <QuestionList
              analysis={analysis}
              opened={question}
              onOpen={(id) => openQuestion(question === id ? null : id)}
            />
          ) : view === "standards" ? (
            <StandardsView
              {...{ table, around }}
              goals={assignment.goals}
              group={assignment.class}
              onStudent={(student) => show("student", student)}
            />
          ) : view === "student" ? (
            one ? (
              <OneStudent
                key={one.student}
                assignment={assignment.id}
                group={assignment.class}
                // Opened by its address, a child may be of another group than the one that is shown.
                students={(rows.some(({ student }) => student.id === one.student) ? rows : table.rows).map(
                  ({ student }) => student,
                )}
                student={one.student}
                tries={one.tries}
                factor={table.rows.find(({ student }) => student.id === one.student)?.factor ?? 1}
                due={assignment.due}
                {...{ pace, zone, now }}
                onStudent={showStudent}
              />
            ) : (
              <Empty title="Nobody has this work">Assign it to somebody to see what they do.</Empty>
            )
          ) : (
            <StudentsTable
              {...{ table, rows, sort, pace, opened, question, locale }}
              onSort={setSort}
              onOpen={(student, asked) => {
                openQuestion(null);
                setOpened({ student, question: asked });
              }}
              onStudent={(student) => show("student", student)}
              onQuestion={(id) => openQuestion(question === id ? null : id)}
            />
          )}
        </div>
        {next ? (
          <WhatNext
            groups={missed}
            prompts={analysis.items.map(promptOf)}
            around={around}
            from={{
              ...{ assignment: assignment.id, resource: assignment.resource },
              class: assignment.class,
            }}
            {...{ zone, now }}
            onClose={() => go({ next: null })}
          />
        ) : item ? (
          <QuestionPanel item={item} compared={analysis.compared} onClose={closeAll}>
            <MendQuestion
              key={item.id}
              {...{ item, zone, now }}
              assignment={assignment.id}
              own={own}
              corrections={corrections.filter((one) => one.question === item.id)}
            />
          </QuestionPanel>
        ) : (
          opened && (
            <AnswerBeside
              assignment={assignment.id}
              group={assignment.class}
              {...{ table, opened }}
              onMark={() => {
                closeAll();
                go({ view: "marking", ...opened, next: null }, "push");
              }}
              onClose={closeAll}
            />
          )
        )}
      </div>
      {!next && view !== "marking" && <NextStrip groups={missed} onOpen={openNext} />}
    </div>
  );
}
