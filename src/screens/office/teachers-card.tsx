"use client";
import { DateInput } from "@/screens/when/typed-input";
import { useState } from "react";
import type { Class } from "@/data/classes/classes";
import { archiveClass, keepHomeroom, keepTeacher, takeTeacherOut } from "@/screens/acts/office";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Field, inputClasses } from "@/ui/field";
import { ClassHead } from "./class-head";
import { PersonSelect } from "./person-select";
import { useKeep } from "./use-keep";

export interface ClassTeacher {
  id: number;
  name: string;
  role: string;
  from: string | null;
  to: string | null;
}

const roles = [
  { value: "lead", text: "leads it" },
  { value: "co-teacher", text: "teaches it too" },
  { value: "cover", text: "covers it" },
] as const;
type Role = (typeof roles)[number]["value"];

/** Who teaches each class, who covers it from when to when, and putting it away at the end of its year. */
export function TeachersCard({
  classes,
  teachers,
  adults,
}: {
  classes: Class[];
  teachers: Record<number, ClassTeacher[]>;
  adults: { id: number; name: string }[];
}) {
  const [wanted, setChosen] = useState<number | null>(null);
  const [teacher, setTeacher] = useState(adults[0]?.id ?? 0);
  const [role, setRole] = useState<Role>("cover");
  const [from, setFrom] = useState("");
  const [to, setTo] = useState("");
  const { notice, busy, keep } = useKeep();
  // The one that was chosen may have been put away since.
  const group = classes.find(({ id }) => id === wanted) ?? classes[0];
  if (!group) return null;
  const add = () =>
    keep(
      () => keepTeacher({ ofClass: group.id, teacher, role, from: from || null, to: to || null }),
      () => `${adults.find(({ id }) => id === teacher)?.name} ${roles.find(({ value }) => value === role)!.text}.`,
    );
  const putAway = () =>
    keep(
      () => archiveClass({ ofClass: group.id, archived: true }),
      () => `${group.name} is put away; its work and results are kept.`,
    );
  return (
    <section aria-labelledby="teachers" className="rounded-card border border-line bg-card p-5">
      <ClassHead
        id="teachers"
        title="Who teaches"
        label="Teachers of which class"
        classes={classes}
        chosen={group.id}
        onChoose={setChosen}
      />
      <label className="mb-2 flex items-center gap-2">
        <Checkbox
          label="Homeroom"
          checked={group.homeroom}
          onChange={(homeroom) =>
            keep(
              () => keepHomeroom({ ofClass: group.id, homeroom }),
              () => (homeroom ? `${group.name} is a homeroom.` : `${group.name} is not a homeroom.`),
            )
          }
        />
        Homeroom: its lead teacher is asked first about these children
      </label>
      <ul className="divide-y divide-line">
        {(teachers[group.id] ?? []).map((one) => (
          <li key={one.id} className="flex items-center gap-2 py-1.5">
            <span className="flex-1">
              {one.name}{" "}
              <span className="text-ink-soft">
                {roles.find(({ value }) => value === one.role)?.text}
                {one.from && `, from ${one.from}`}
                {one.to && ` to ${one.to}`}
              </span>
            </span>
            <Button
              size="small"
              look="quiet"
              disabled={busy}
              aria-label={`Take ${one.name} out of ${group.name}`}
              onClick={() =>
                keep(
                  () => takeTeacherOut({ ofClass: group.id, teacher: one.id }),
                  () => `${one.name} does not teach ${group.name} any more.`,
                )
              }
            >
              Take out
            </Button>
          </li>
        ))}
      </ul>
      <div className="mt-3 grid grid-cols-2 gap-2">
        <Field label="Who">
          {(control) => <PersonSelect {...control} people={adults} value={teacher} onPerson={setTeacher} />}
        </Field>
        <Field label="As">
          {(control) => (
            <select
              {...control}
              className={inputClasses}
              value={role}
              onChange={(event) => setRole(event.target.value as Role)}
            >
              {roles.map(({ value, text }) => (
                <option key={value} value={value}>
                  {text}
                </option>
              ))}
            </select>
          )}
        </Field>
        <Field label="First day">
          {(control) => <DateInput {...control} value={from} onChange={(value) => setFrom(value)} />}
        </Field>
        <Field label="Last day">
          {(control) => <DateInput {...control} value={to} onChange={(value) => setTo(value)} />}
        </Field>
      </div>
      {notice}
      <div className="mt-3 flex gap-2">
        <Button disabled={busy} onClick={add}>
          Add
        </Button>
        <Button look="quiet" disabled={busy} onClick={putAway}>
          Put {group.name} away
        </Button>
      </div>
    </section>
  );
}
