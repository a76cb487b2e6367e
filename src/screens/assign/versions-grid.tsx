"use client";
import { useState } from "react";
import { factors } from "@/core/assign/extra-time";
import type { AssignForm } from "@/core/assign/form";
import { versionLabel } from "@/core/assign/version-label";
import { whomRules } from "@/core/assign/whom";
import { gradeName, formatReadingGrade } from "@/core/content/grade";
import type { Audience, AudienceClass } from "@/server/assign/audience";
import { Button } from "@/ui/button";
import { inputClasses } from "@/ui/field";

const versionsOf = (audience: Audience, resource: number) => audience.versions.filter(({ of }) => of === resource);

type Student = AudienceClass["students"][number];

interface Column {
  /** 0 for the resource itself. */
  id: number;
  title: string;
  /** What tells it from the others. */
  label: string;
  about: string;
  by: string;
}

/** Who gets which version, and how long each has: students by versions, filled by a rule, by pressing, or by drawing over it. */
function VersionsGrid({
  audience,
  form,
  resource,
  onChange,
}: {
  audience: Audience;
  form: AssignForm;
  /** The one of the resources whose versions these are. */
  resource: { id: number; title: string };
  onChange: (change: Partial<AssignForm>) => void;
}) {
  const [painting, setPainting] = useState<number | null>(null);
  const chosen = form.to.flatMap(({ class: id, students }) => {
    const group = audience.classes.find((one) => one.id === id);
    return group?.students.filter((student) => students.includes(student.id)) ?? [];
  });
  const groups = audience.classes
    .filter(({ id }) => form.to.some((one) => one.class === id))
    .flatMap((one) => one.groups);
  const main = audience.mains.find(({ id }) => id === resource.id);
  const rules = whomRules(chosen, groups, main?.languages.slice(0, 1) ?? []);
  const { title } = resource;
  const [rule, setRule] = useState(0);
  const columns: Column[] = [
    { id: 0, title, label: title, about: "the one you chose", by: "" },
    ...versionsOf(audience, resource.id).map((version) => ({
      id: version.id,
      title: version.title,
      label: versionLabel(version.title, title),
      about: [
        `${version.minutes} min`,
        version.readingGrade !== null && `reads at ${formatReadingGrade(version.readingGrade)}`,
      ]
        .filter(Boolean)
        .join(", "),
      by: version.author,
    })),
  ];
  const versionOf = (student: number) =>
    form.versions.find((one) => one.student === student && one.of === resource.id)?.resource ?? 0;
  const give = (students: readonly number[], version: number) =>
    onChange({
      versions: [
        ...form.versions.filter((one) => !students.includes(one.student) || one.of !== resource.id),
        ...(version === 0 ? [] : students.map((student) => ({ student, of: resource.id, resource: version }))),
      ],
    });
  const factorOf = (student: Student) =>
    form.factors.find((one) => one.student === student.id)?.factor ?? student.factor;
  const giveTime = (student: number, factor: number) =>
    onChange({ factors: [...form.factors.filter((one) => one.student !== student), { student, factor }] });

  return (
    <div className="rounded-card border border-line p-3">
      <div className="flex flex-wrap items-center gap-1.5 text-[13px]">
        <select
          aria-label="Whom"
          className={`${inputClasses} !w-auto`}
          value={Math.min(rule, rules.length - 1)}
          onChange={(event) => setRule(Number(event.target.value))}
        >
          {rules.map(({ text }, at) => (
            <option key={text} value={at}>
              {text}
            </option>
          ))}
        </select>
        <span className="text-ink-soft">gets</span>
        {columns.map((column) => (
          <Button
            key={column.id}
            size="small"
            className="max-w-56"
            onClick={() =>
              give(
                chosen.filter(rules[Math.min(rule, rules.length - 1)]!.test).map(({ id }) => id),
                column.id,
              )
            }
          >
            <span className="truncate">{column.id === 0 ? "the one you chose" : column.label}</span>
          </Button>
        ))}
      </div>
      <div
        className="mt-2 max-h-72 overflow-auto"
        onPointerUp={() => setPainting(null)}
        onPointerLeave={() => setPainting(null)}
      >
        <table className="w-full text-[13px]">
          <thead className="sticky top-0 z-10 bg-card">
            <tr className="border-b border-line align-bottom">
              <th scope="col" className="py-1 pr-2 text-left font-normal text-ink-soft">
                Student
              </th>
              {columns.map((column) => (
                <th
                  key={column.id}
                  scope="col"
                  title={[column.title, column.by].filter(Boolean).join(", ")}
                  className="w-28 max-w-28 px-2 py-1 text-left font-semibold"
                >
                  <span className="line-clamp-2 leading-tight">{column.label}</span>
                  <span className="block truncate font-normal text-ink-soft">{column.about}</span>
                </th>
              ))}
              <th scope="col" className="px-2 py-1 text-left font-normal text-ink-soft">
                Time
              </th>
            </tr>
          </thead>
          <tbody>
            {chosen.map((student) => {
              const name = `${student.givenName} ${student.familyName}`;
              return (
                <tr key={student.id} className="border-b border-line last:border-0">
                  <th scope="row" className="py-1 pr-2 text-left font-normal whitespace-nowrap">
                    {name}
                    <span className="text-ink-soft">
                      {" "}
                      {student.grade !== null && `· ${gradeName(student.grade)}`}
                      {student.readingGrade !== null && `, reads at ${formatReadingGrade(student.readingGrade)}`}
                    </span>
                  </th>
                  {columns.map((column) => (
                    <td
                      key={column.id}
                      className="px-2 py-0.5"
                      onPointerEnter={() => painting === column.id && give([student.id], column.id)}
                    >
                      <label
                        className="flex h-7 cursor-pointer items-center"
                        onPointerDown={() => setPainting(column.id)}
                      >
                        <input
                          type="radio"
                          name={`version ${resource.id} ${student.id}`}
                          className="h-4 w-4 accent-(--green)"
                          aria-label={`${name}: ${column.label}`}
                          checked={versionOf(student.id) === column.id}
                          onChange={() => give([student.id], column.id)}
                        />
                      </label>
                    </td>
                  ))}
                  <td className="px-2 py-0.5">
                    <select
                      aria-label={`Time for ${name}`}
                      className="h-7 rounded-card border border-line bg-card px-1"
                      value={factorOf(student)}
                      onChange={(event) => giveTime(student.id, Number(event.target.value))}
                    >
                      {factors.map((factor) => (
                        <option key={factor} value={factor}>
                          {factor === 1 ? "as planned" : `${factor} ×`}
                        </option>
                      ))}
                    </select>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </div>
  );
}

/** The same for several resources: one of those that have versions at a time. Without versions only the time is chosen. */
export function VersionsFields({
  resources,
  ...rest
}: {
  audience: Audience;
  form: AssignForm;
  resources: readonly { id: number; title: string }[];
  onChange: (change: Partial<AssignForm>) => void;
}) {
  const withVersions = resources.filter(({ id }) => versionsOf(rest.audience, id).length > 0);
  const offered = withVersions.length > 0 ? withVersions : resources.slice(0, 1);
  const [wanted, setWanted] = useState<number | null>(null);
  const shown = offered.find(({ id }) => id === wanted) ?? offered[0];
  if (!shown) return null;
  return (
    <>
      {offered.length > 1 && (
        <label className="mb-2 flex items-center gap-2 text-[13px] text-ink-soft">
          Versions of
          <select
            className={`${inputClasses} !w-auto`}
            value={shown.id}
            onChange={(event) => setWanted(Number(event.target.value))}
          >
            {offered.map(({ id, title }) => (
              <option key={id} value={id}>
                {title}
              </option>
            ))}
          </select>
        </label>
      )}
      <VersionsGrid key={shown.id} {...rest} resource={shown} />
    </>
  );
}
