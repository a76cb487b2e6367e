"use client";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import { makeGroups, type GroupRule } from "@/core/roster/groups";
import type { Class, Student } from "@/data/classes/classes";
import type { StudentGroup } from "@/data/plan/plan";
import { keepApart, keepGroups } from "@/screens/acts/groups";
import { Button } from "@/ui/button";
import { inputClasses, TextInput } from "@/ui/field";
import { GroupBox as Box, Members, rules, useGroupMoves, type Group } from "./group-boxes";
import { Notice } from "@/ui/notice";
import { tell, tellProblem } from "@/ui/toast";

const entryOf = (student: Student) => ({ id: student.id, name: nameOf(student), readingGrade: student.readingGrade });
const nameOf = ({ givenName, familyName }: Student) => `${givenName} ${familyName}`;

const sameGroups = (one: readonly Group[], other: readonly Group[]) => JSON.stringify(one) === JSON.stringify(other);

/** Groups made by hand or by a rule, with pairs kept apart. */
export function GroupsView({
  group,
  students,
  groups: stored,
  apart,
  lastResults,
}: {
  group: Class;
  students: Student[];
  groups: StudentGroup[];
  apart: [number, number][];
  lastResults: Record<number, number>;
}) {
  const first = stored.map(({ name, students: members }) => ({ name, students: members }));
  const [groups, setGroups] = useState<Group[]>(first);
  const [count, setCount] = useState(Math.max(2, first.length || 4));
  const [rule, setRule] = useState<GroupRule>("mixed reading");
  const [pair, setPair] = useState<[number, number]>([students[0]?.id ?? 0, students[1]?.id ?? 0]);
  const [together, setTogether] = useState<readonly (readonly [number, number])[]>([]);
  const [busy, start] = useTransition();
  const router = useRouter();
  const byId = new Map(students.map((student) => [student.id, student]));
  const homeOf = (student: number) => {
    const at = groups.findIndex((one) => one.students.includes(student));
    return at < 0 ? null : at;
  };
  const move = useGroupMoves(setGroups);
  const make = () => {
    const made = makeGroups(
      students.map(({ id, readingGrade }) => ({ id, readingGrade, lastResult: lastResults[id] ?? null })),
      count,
      rule,
      apart,
      Math.random,
    );
    setTogether(made.together);
    setGroups(made.groups.map((members, at) => ({ name: groups[at]?.name ?? `Group ${at + 1}`, students: members })));
  };
  const keep = (list: Group[], said: string, undo?: Group[]) =>
    start(async () => {
      const outcome = await keepGroups({ class: group.id, groups: list });
      if (!outcome.ok) return tellProblem(outcome.problem);
      router.refresh();
      tell(
        said,
        undo &&
          (() => {
            setGroups(undo);
            keep(undo, "The groups are back as they were.");
          }),
      );
    });
  const setPairs = (pairs: [number, number][]) =>
    start(async () => {
      const outcome = await keepApart({ class: group.id, pairs });
      if (!outcome.ok) tellProblem(outcome.problem);
      router.refresh();
    });
  const entryById = (id: number) => (byId.has(id) ? [entryOf(byId.get(id)!)] : []);
  const name = (id: number) => (byId.has(id) ? nameOf(byId.get(id)!) : "");
  const loose = students.filter(({ id }) => homeOf(id) === null);
  const changed = !sameGroups(groups, first);
  return (
    <div className="grid gap-4">
      <div className="flex flex-wrap items-center gap-2">
        <TextInput
          type="number"
          aria-label="How many groups"
          min={1}
          max={Math.min(30, Math.max(1, students.length))}
          className="!w-16"
          value={count}
          onChange={(event) => setCount(Math.min(30, Math.max(1, Math.round(Number(event.target.value)) || 1)))}
        />
        <span>groups,</span>
        <select
          aria-label="How they are made"
          className={`${inputClasses} !w-auto`}
          value={rule}
          onChange={(event) => setRule(event.target.value as GroupRule)}
        >
          {rules.map(({ value, text }) => (
            <option key={value} value={value}>
              {text}
            </option>
          ))}
        </select>
        <Button onClick={make} disabled={students.length === 0}>
          Make groups
        </Button>
        <Button onClick={() => setGroups([...groups, { name: `Group ${groups.length + 1}`, students: [] }])}>
          Add an empty group
        </Button>
        <span className="flex-1" />
        {changed && <Button onClick={() => setGroups(first)}>Put them back</Button>}
        <Button look="main" disabled={busy || !changed} onClick={() => keep(groups, "The groups are saved.", first)}>
          Keep
        </Button>
      </div>
      {together.length > 0 && (
        <Notice tone="warning">
          There are too few groups: {together.map(([one, other]) => `${name(one)} and ${name(other)}`).join(", ")} are
          together.
        </Notice>
      )}
      <div className="grid grid-cols-[repeat(auto-fill,minmax(14rem,1fr))] items-start gap-4">
        {groups.map((one, at) => (
          <Box key={at} id={at} name={one.name}>
            <div className="mb-2 flex items-center gap-2">
              <TextInput
                aria-label={`Name of group ${at + 1}`}
                maxLength={40}
                value={one.name}
                onChange={(event) =>
                  setGroups(groups.map((other, nth) => (nth === at ? { ...other, name: event.target.value } : other)))
                }
              />
              <span className="numbers text-[13px] text-ink-soft">{one.students.length}</span>
              <Button
                size="small"
                look="quiet"
                aria-label={`Dissolve ${one.name}`}
                onClick={() => setGroups(groups.filter((_, nth) => nth !== at))}
              >
                ×
              </Button>
            </div>
            <Members students={one.students.flatMap(entryById)} groups={groups} at={at} onMove={move} />
          </Box>
        ))}
        {(loose.length > 0 || groups.length === 0) && (
          <Box id={null} name="no group" className="border-dashed">
            <h2 className="mb-2 font-semibold">In no group</h2>
            <Members students={loose.map(entryOf)} groups={groups} at={null} onMove={move} />
          </Box>
        )}
      </div>
      <section aria-labelledby="apart" className="rounded-card border border-line bg-card p-4">
        <h2 id="apart" className="font-semibold">
          Not together
        </h2>
        <div className="mt-2 flex flex-wrap items-center gap-2">
          {([0, 1] as const).map((nth) => (
            <select
              key={nth}
              aria-label={nth === 0 ? "One student" : "And another"}
              className={`${inputClasses} !w-52`}
              value={pair[nth]}
              onChange={(event) =>
                setPair(nth === 0 ? [Number(event.target.value), pair[1]] : [pair[0], Number(event.target.value)])
              }
            >
              {students.map((student) => (
                <option key={student.id} value={student.id}>
                  {nameOf(student)}
                </option>
              ))}
            </select>
          ))}
          <Button disabled={busy || pair[0] === pair[1]} onClick={() => setPairs([...apart, pair])}>
            Keep apart
          </Button>
        </div>
        <ul className="mt-2 flex flex-wrap gap-1.5">
          {apart.map(([one, other]) => (
            <li key={`${one} ${other}`}>
              <Button
                size="small"
                aria-label={`${name(one)} and ${name(other)} may be together again`}
                onClick={() => setPairs(apart.filter((known) => known[0] !== one || known[1] !== other))}
              >
                {name(one)} · {name(other)} <span aria-hidden>×</span>
              </Button>
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}
