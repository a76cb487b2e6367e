"use client";
import { clsx } from "clsx";
import { useRouter } from "next/navigation";
import { useState, useTransition, type FormEvent } from "react";
import type { DistrictSchool } from "@/data/office/district";
import { addSchool, giveOffice } from "@/screens/acts/district";
import { Button } from "@/ui/button";
import { Field, inputClasses, TextInput } from "@/ui/field";
import { Notice } from "@/ui/notice";
import { tell } from "@/ui/toast";

/** The schools of the district, where this office keeps it: a new one is added with the first of its own office. */
export function SchoolsCard({
  schools,
  zones,
  zone,
}: {
  schools: readonly DistrictSchool[];
  zones: readonly string[];
  zone: string;
}) {
  const router = useRouter();
  const [problem, setProblem] = useState<{ field?: string | undefined; text: string } | null>(null);
  const [link, setLink] = useState<{ to: string; address: string } | null>(null);
  const [busy, start] = useTransition();
  /** The school that gets an office; null: a new one is added. */
  const [without, setWithout] = useState<DistrictSchool | null>(null);
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const text = (name: string) => String(new FormData(form).get(name) ?? "");
    start(async () => {
      const office = { givenName: text("givenName"), familyName: text("familyName"), email: text("email") };
      const outcome = await (without
        ? giveOffice({ toSchool: without.id, office })
        : addSchool({ name: text("name"), zone: text("zone"), office }));
      if (!outcome.ok) return setProblem({ field: outcome.field, text: outcome.problem });
      setProblem(null);
      setLink(outcome.value);
      form.reset();
      setWithout(null);
      router.refresh();
      const done = without ? `${outcome.value.name} has an office.` : `Added ${outcome.value.name}.`;
      tell(`${done} The invitation for ${outcome.value.to} is in the outbox.`);
    });
  };
  const field = (name: string, label: string, type = "text") => (
    <Field label={label} problem={problem?.field?.endsWith(name) ? problem.text : undefined}>
      {(control) => <TextInput {...control} name={name} type={type} required maxLength={120} />}
    </Field>
  );
  const isSaid = ["name", "givenName", "familyName", "email"].some((name) => problem?.field?.endsWith(name));
  return (
    <section aria-labelledby="schools" className="rounded-card border border-line bg-card p-5">
      <h2 id="schools" className="font-semibold">
        Schools of the district
      </h2>
      <ul className="mt-2 divide-y divide-line">
        {schools.map((school) => (
          <li key={school.id} className="flex min-h-9 flex-wrap items-center gap-x-3 py-1">
            <span className="font-semibold [overflow-wrap:anywhere]">{school.name}</span>
            <span className="text-[13px] text-ink-soft">
              {school.staff} staff, {school.children} children
              {school.office.length > 0 ? ` · office: ${school.office.join(", ")}` : " · no office yet"}
            </span>
            {school.office.length === 0 && (
              <Button size="small" onClick={() => setWithout(school)}>
                Give {school.name} an office
              </Button>
            )}
          </li>
        ))}
      </ul>
      <h3 className="mt-4 font-semibold">{without ? `An office for ${without.name}` : "Add a school"}</h3>
      <p className="text-ink-soft">Its own office does the rest: the calendar, the classes and the people.</p>
      <form onSubmit={submit} className="mt-3 grid gap-3 sm:grid-cols-2">
        {!without && field("name", "Name of the school")}
        <Field label="Time zone" className={clsx(without && "hidden")}>
          {(control) => (
            <select {...control} name="zone" defaultValue={zone} className={inputClasses}>
              {zones.map((one) => (
                <option key={one} value={one}>
                  {one.replaceAll("_", " ")}
                </option>
              ))}
            </select>
          )}
        </Field>
        {field("givenName", "Its office: given name")}
        {field("familyName", "Family name")}
        {field("email", "E-mail", "email")}
        {problem && !isSaid && (
          <Notice tone="warning" className="sm:col-span-2">
            {problem.text}
          </Notice>
        )}
        <div className="sm:col-span-2">
          <Button type="submit" disabled={busy}>
            {without ? "Invite the office" : "Add the school"}
          </Button>
          {without && (
            <Button look="quiet" className="ml-2" onClick={() => setWithout(null)}>
              Cancel
            </Button>
          )}
        </div>
      </form>
      {link && (
        <Notice className="mt-3">
          {link.to} can choose a password at this address. It works once:{" "}
          <code className="text-[13px] [overflow-wrap:anywhere]">{link.address}</code>
        </Notice>
      )}
    </section>
  );
}
