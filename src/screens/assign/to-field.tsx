"use client";
import { useState } from "react";
import type { AssignForm } from "@/core/assign/form";
import { gradeName, gradesOf } from "@/core/content/grade";
import type { Audience, AudienceClass } from "@/server/assign/audience";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";

type To = AssignForm["to"];

const nameOf = (student: { givenName: string; familyName: string }) => `${student.givenName} ${student.familyName}`;

function ClassRow({
  group,
  chosen,
  onChange,
}: {
  group: AudienceClass;
  chosen: readonly number[];
  onChange: (students: number[]) => void;
}) {
  const [open, setOpen] = useState(false);
  const { students } = group;
  const all = students.map(({ id }) => id);
  const grades = gradesOf(students);
  const having = students.filter(({ has }) => has).length;
  const keep = (test: (student: AudienceClass["students"][number]) => boolean) =>
    onChange(students.filter(test).map(({ id }) => id));
  const toggle = (id: number) => onChange(chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id]);
  const some = chosen.length > 0 && chosen.length < all.length;
  return (
    <li>
      <div className="flex flex-wrap items-center gap-x-2 gap-y-1">
        <Checkbox
          label={group.name}
          checked={some ? "indeterminate" : chosen.length > 0}
          onChange={(on) => onChange(on ? all : [])}
        />
        <span className="min-w-0 flex-1 truncate">
          <span className="font-semibold">{group.name}</span>{" "}
          <span className="text-[13px] text-ink-soft">{group.subject}</span>
        </span>
        <span className="numbers text-[13px] text-ink-soft">
          {chosen.length} of {all.length}
        </span>
        <Button
          size="small"
          look="quiet"
          aria-expanded={open}
          aria-label={`Students of ${group.name}`}
          onClick={() => setOpen(!open)}
        >
          {open ? "Hide" : "Students …"}
        </Button>
      </div>
      {open && (
        <div className="mt-1.5 mb-2 ml-6">
          <div className="flex flex-wrap gap-1.5">
            <Button size="small" onClick={() => onChange(all)}>
              All
            </Button>
            <Button size="small" onClick={() => onChange([])}>
              None
            </Button>
            {grades.length > 1 &&
              grades.map((grade) => (
                <Button key={grade} size="small" onClick={() => keep((student) => student.grade === grade)}>
                  Grade {gradeName(grade)}
                </Button>
              ))}
            {group.groups.map((one) => (
              <Button key={one.id} size="small" onClick={() => keep(({ id }) => one.students.includes(id))}>
                {one.name}
              </Button>
            ))}
            {having > 0 && having < all.length && (
              <Button size="small" onClick={() => keep(({ has }) => !has)}>
                Without the {having} who have it
              </Button>
            )}
          </div>
          <ul className="mt-2 grid max-h-52 grid-cols-3 gap-x-3 gap-y-1 overflow-auto rounded-card border border-line p-2">
            {students.map((student) => (
              <li key={student.id}>
                <label className="flex items-center gap-2">
                  <Checkbox
                    label={nameOf(student)}
                    checked={chosen.includes(student.id)}
                    onChange={() => toggle(student.id)}
                  />
                  <span className="min-w-0 truncate" title={nameOf(student)}>
                    {nameOf(student)}
                    {student.has && <span className="text-[12px] text-ink-soft"> · has it</span>}
                  </span>
                </label>
              </li>
            ))}
          </ul>
        </div>
      )}
    </li>
  );
}

/** To whom: any mix of classes, groups and students. */
export function ToField({ audience, to, onChange }: { audience: Audience; to: To; onChange: (to: To) => void }) {
  const set = (group: number, students: number[]) => {
    const others = to.filter((one) => one.class !== group);
    const next = students.length > 0 ? [...others, { class: group, students }] : others;
    const order = audience.classes.map(({ id }) => id);
    onChange(next.sort((one, other) => order.indexOf(one.class) - order.indexOf(other.class)));
  };
  return (
    <fieldset>
      <legend className="mb-1 text-[13px] text-ink-soft">To</legend>
      <ul className="grid gap-1.5">
        {audience.classes.map((group) => (
          <ClassRow
            key={group.id}
            group={group}
            chosen={to.find((one) => one.class === group.id)?.students ?? []}
            onChange={(students) => set(group.id, students)}
          />
        ))}
      </ul>
    </fieldset>
  );
}
