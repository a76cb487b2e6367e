"use client";
import { useEffect, useState } from "react";
import { z } from "zod";
import { Adult, BeginInput } from "@/core/people/inputs";
import { beginSchool } from "@/screens/acts/begin";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { FormText, useCheckedForm } from "@/ui/checked-form";
import { Field, inputClasses } from "@/ui/field";
import { useHydrated } from "@/ui/hydrated";
import { Brand } from "../shell/brand";

/** Who keeps the office is the first teacher too. */
const Unchecked = z.object({ givenName: z.string(), familyName: z.string(), email: z.string() });
const OfficeTeaches = BeginInput.extend({ teacher: Unchecked }).transform((said) => ({
  ...said,
  teacher: Adult.parse(said.office),
}));

const nobody = { givenName: "", familyName: "", email: "" };
const nothing = {
  ...{ code: "", school: "", district: "", zone: "", country: "" },
  office: { ...nobody, password: "" },
  teacher: nobody,
};

/** The first page of a new installation: the school, who keeps its office, and the first teacher. */
export function BeginScreen({
  zones,
  countries,
}: {
  zones: readonly string[];
  countries: readonly { code: string; name: string }[];
}) {
  const [same, setSame] = useState(false);
  const ready = useHydrated();
  const zone = ready ? Intl.DateTimeFormat().resolvedOptions().timeZone : "";
  const here = zones.includes(zone) ? zone : "";
  const form = useCheckedForm(same ? OfficeTeaches : BeginInput, nothing, (said) => beginSchool(said));
  const { setValue } = form;
  useEffect(() => setValue("zone", here), [here, setValue]);
  return (
    <main className="mx-auto grid max-w-3xl gap-5 px-6 py-8">
      <Brand />
      <div>
        <h1 className="font-serif text-2xl">A new school</h1>
        <p className="mt-1 text-ink-soft">
          Nobody can sign in here yet. The server printed a code when it started: type it here to make the school.
        </p>
      </div>
      <form onSubmit={form.submit} noValidate className="grid gap-5">
        <fieldset className="grid gap-3 rounded-card border border-line bg-card p-5 sm:grid-cols-2">
          <legend className="px-1 font-semibold">The school</legend>
          <FormText
            form={form}
            name="code"
            label="The code from the server"
            autoComplete="off"
            placeholder="ABCD-EFGH-JKMN"
          />
          <FormText form={form} name="school" label="Its name" />
          <FormText form={form} name="district" label="Its district, if it has one" />
          <Field label="Country" problem={form.problemAt("country")}>
            {(control) => (
              <select {...control} {...form.register("country")} className={inputClasses}>
                <option value="">Choose one …</option>
                {countries.map(({ code, name }) => (
                  <option key={code} value={code}>
                    {name}
                  </option>
                ))}
              </select>
            )}
          </Field>
          <Field label="Time zone" problem={form.problemAt("zone")}>
            {(control) => (
              <select {...control} {...form.register("zone")} className={inputClasses}>
                <option value="">Choose one …</option>
                {zones.map((zone) => (
                  <option key={zone} value={zone}>
                    {zone.replaceAll("_", " ")}
                  </option>
                ))}
              </select>
            )}
          </Field>
        </fieldset>
        <fieldset className="grid gap-3 rounded-card border border-line bg-card p-5 sm:grid-cols-2">
          <legend className="px-1 font-semibold">You: the school office</legend>
          <FormText form={form} name="office.givenName" label="Given name" autoComplete="given-name" />
          <FormText form={form} name="office.familyName" label="Family name" autoComplete="family-name" />
          <FormText form={form} name="office.email" label="E-mail" type="email" autoComplete="username" />
          <FormText
            form={form}
            name="office.password"
            label="Password, at least 10 characters"
            type="password"
            autoComplete="new-password"
          />
        </fieldset>
        <fieldset className="grid gap-3 rounded-card border border-line bg-card p-5 sm:grid-cols-2">
          <legend className="px-1 font-semibold">The first teacher</legend>
          <div className="flex items-center gap-2 sm:col-span-2">
            <Checkbox id="same" checked={same} onChange={setSame} label="I am the first teacher too" />
            <label htmlFor="same">I am the first teacher too</label>
          </div>
          {!same && (
            <>
              <FormText form={form} name="teacher.givenName" label="Given name of the teacher" />
              <FormText form={form} name="teacher.familyName" label="Family name of the teacher" />
              <FormText form={form} name="teacher.email" label="E-mail of the teacher" type="email" />
            </>
          )}
        </fieldset>
        {form.notice}
        <div>
          <Button type="submit" look="main" disabled={form.busy || !ready}>
            {form.busy ? "One moment …" : "Make the school"}
          </Button>
        </div>
      </form>
    </main>
  );
}
