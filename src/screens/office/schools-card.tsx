"use client";
import { clsx } from "clsx";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { z } from "zod";
import { SchoolInput } from "@/core/people/inputs";
import type { DistrictSchool } from "@/data/office/district";
import { addSchool, giveOffice } from "@/screens/acts/district";
import { Button } from "@/ui/button";
import { FormText, useCheckedForm } from "@/ui/checked-form";
import { Field, inputClasses } from "@/ui/field";
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
  const [link, setLink] = useState<{ to: string; address: string } | null>(null);
  /** The school that gets an office; null: a new one is added. */
  const [without, setWithout] = useState<DistrictSchool | null>(null);
  const nothing = { name: "", zone, office: { givenName: "", familyName: "", email: "" } };
  const Asked = without ? SchoolInput.extend({ name: z.string() }) : SchoolInput;
  const form = useCheckedForm(Asked, nothing, async ({ office, ...school }, reset) => {
    const outcome = await (without ? giveOffice({ toSchool: without.id, office }) : addSchool({ ...school, office }));
    if (!outcome.ok) return outcome;
    setLink(outcome.value);
    reset();
    setWithout(null);
    router.refresh();
    const done = without ? `${outcome.value.name} has an office.` : `Added ${outcome.value.name}.`;
    tell(`${done} The invitation for ${outcome.value.to} is in the outbox.`);
  });
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
      <form onSubmit={form.submit} noValidate className="mt-3 grid gap-3 sm:grid-cols-2">
        {!without && <FormText form={form} name="name" label="Name of the school" />}
        <Field label="Time zone" problem={form.problemAt("zone")} className={clsx(without && "hidden")}>
          {(control) => (
            <select {...control} {...form.register("zone")} className={inputClasses}>
              {zones.map((one) => (
                <option key={one} value={one}>
                  {one.replaceAll("_", " ")}
                </option>
              ))}
            </select>
          )}
        </Field>
        <FormText form={form} name="office.givenName" label="Its office: given name" />
        <FormText form={form} name="office.familyName" label="Family name" />
        <FormText form={form} name="office.email" label="E-mail" type="email" />
        {form.notice && <div className="sm:col-span-2">{form.notice}</div>}
        <div className="sm:col-span-2">
          <Button type="submit" disabled={form.busy}>
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
