"use client";
import { useState, useTransition, type FormEvent } from "react";
import { beginSchool } from "@/screens/acts/begin";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Field, inputClasses, TextInput } from "@/ui/field";
import { Notice } from "@/ui/notice";
import { useHydrated } from "@/ui/hydrated";
import { Brand } from "../shell/brand";

/** The first page of a new installation: the school, who keeps its office, and the first teacher. */
export function BeginScreen({
  zones,
  countries,
}: {
  zones: readonly string[];
  countries: readonly { code: string; name: string }[];
}) {
  const [problem, setProblem] = useState<{ field?: string | undefined; text: string }>();
  const [same, setSame] = useState(false);
  const [busy, start] = useTransition();
  const ready = useHydrated();
  const zone = ready ? Intl.DateTimeFormat().resolvedOptions().timeZone : "";
  const here = zones.includes(zone) ? zone : "";
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const text = (name: string) => String(form.get(name) ?? "");
    const office = {
      givenName: text("office.givenName"),
      familyName: text("office.familyName"),
      email: text("office.email"),
      password: text("office.password"),
    };
    const teacher = same
      ? { givenName: office.givenName, familyName: office.familyName, email: office.email }
      : {
          givenName: text("teacher.givenName"),
          familyName: text("teacher.familyName"),
          email: text("teacher.email"),
        };
    start(async () => {
      const outcome = await beginSchool({
        code: text("code"),
        school: text("school"),
        district: text("district"),
        zone: text("zone"),
        country: text("country"),
        office,
        teacher,
      });
      if (outcome && !outcome.ok) setProblem({ field: outcome.field, text: outcome.problem });
    });
  };
  const wrong = (field: string) => (problem?.field === field ? problem.text : undefined);
  const field = (name: string, label: string, more: Partial<Parameters<typeof TextInput>[0]> = {}) => (
    <Field label={label} problem={wrong(name)}>
      {(control) => <TextInput {...control} name={name} required maxLength={120} {...more} />}
    </Field>
  );
  const shown = new Set(["code", "school", "office.email", "office.password", "teacher.email"]);
  return (
    <main className="mx-auto grid max-w-3xl gap-5 px-6 py-8">
      <Brand />
      <div>
        <h1 className="font-serif text-2xl">A new school</h1>
        <p className="mt-1 text-ink-soft">
          Nobody can sign in here yet. The server printed a code when it started: type it here to make the school.
        </p>
      </div>
      <form onSubmit={submit} className="grid gap-5">
        <fieldset className="grid gap-3 rounded-card border border-line bg-card p-5 sm:grid-cols-2">
          <legend className="px-1 font-semibold">The school</legend>
          {field("code", "The code from the server", { autoComplete: "off", placeholder: "ABCD-EFGH-JKMN" })}
          {field("school", "Its name")}
          {field("district", "Its district, if it has one", { required: false })}
          <Field label="Country">
            {(control) => (
              <select {...control} name="country" defaultValue="" required className={inputClasses}>
                <option value="">Choose one …</option>
                {countries.map(({ code, name }) => (
                  <option key={code} value={code}>
                    {name}
                  </option>
                ))}
              </select>
            )}
          </Field>
          <Field label="Time zone">
            {(control) => (
              <select key={here} {...control} name="zone" defaultValue={here} required className={inputClasses}>
                {!zones.includes(here) && <option value={here}>Choose one …</option>}
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
          {field("office.givenName", "Given name", { autoComplete: "given-name" })}
          {field("office.familyName", "Family name", { autoComplete: "family-name" })}
          {field("office.email", "E-mail", { type: "email", autoComplete: "username" })}
          {field("office.password", "Password, at least 10 characters", {
            type: "password",
            autoComplete: "new-password",
            minLength: 10,
            maxLength: 200,
          })}
        </fieldset>
        <fieldset className="grid gap-3 rounded-card border border-line bg-card p-5 sm:grid-cols-2">
          <legend className="px-1 font-semibold">The first teacher</legend>
          <div className="flex items-center gap-2 sm:col-span-2">
            <Checkbox id="same" checked={same} onChange={setSame} label="I am the first teacher too" />
            <label htmlFor="same">I am the first teacher too</label>
          </div>
          {!same && (
            <>
              {field("teacher.givenName", "Given name of the teacher")}
              {field("teacher.familyName", "Family name of the teacher")}
              {field("teacher.email", "E-mail of the teacher", { type: "email" })}
            </>
          )}
        </fieldset>
        {problem && !shown.has(problem.field ?? "") && <Notice tone="warning">{problem.text}</Notice>}
        <div>
          <Button type="submit" look="main" disabled={busy || !ready}>
            {busy ? "One moment …" : "Make the school"}
          </Button>
        </div>
      </form>
    </main>
  );
}
