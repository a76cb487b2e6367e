"use client";
import { ArrowDown, ArrowUp, X } from "lucide-react";
import { useState } from "react";
import { Controller, useFieldArray, useWatch } from "react-hook-form";
import type { z } from "zod";
import { called } from "@/core/people/called";
import { TypedTeam, type TeamInput } from "@/core/sharing/inputs";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { FormText, useCheckedForm, type Answer, type CheckedForm } from "@/ui/checked-form";
import { TextInput } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";

export type TeamDraft = z.input<typeof TypedTeam>;

type People = readonly { id: number; name: string; school: string | null }[];

/** A team's name, people and parts of the work. */
export function TeamForm({
  start,
  people,
  saveText,
  onSave,
}: {
  start: TeamDraft;
  /** Herself and all who could be in it. */
  people: People;
  saveText: string;
  onSave: (team: z.infer<typeof TeamInput>) => Promise<Answer | void>;
}) {
  const form = useCheckedForm(TypedTeam, start, onSave);
  return (
    <form onSubmit={form.submit} noValidate className="grid gap-4">
      <FormText form={form} name="name" label="What is the team called?" autoFocus maxLength={80} />
      <Controller
        control={form.control}
        name="people"
        render={({ field }) => <PeopleField people={people} chosen={field.value} onChosen={field.onChange} />}
      />
      <PartsField form={form} />
      {form.problemAt("people") && <p className="font-semibold text-clay">{form.problemAt("people")}</p>}
      {form.notice}
      <div className="flex justify-end">
        <Button type="submit" look="main" disabled={form.busy}>
          {saveText}
        </Button>
      </div>
    </form>
  );
}

/** Who is in it: those who are, or colleagues by a name that is typed. */
function PeopleField({
  people,
  chosen,
  onChosen,
}: {
  people: People;
  chosen: readonly number[];
  onChosen: (chosen: number[]) => void;
}) {
  const [words, setWords] = useState("");
  const sought = words.trim();
  const shown = (sought === "" ? people.filter(({ id }) => chosen.includes(id)) : called(people, words)).slice(0, 30);
  const toggle = (id: number) => onChosen(chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id]);
  return (
    <fieldset className="grid gap-1">
      <legend className="mb-1 font-semibold">Who is in it</legend>
      <TextInput
        type="search"
        aria-label="Find a colleague"
        placeholder="a name …"
        value={words}
        maxLength={80}
        onChange={(event) => setWords(event.target.value)}
      />
      <ul className="max-h-40 overflow-auto rounded-card border border-line p-1">
        {shown.map(({ id, name, school }) => (
          <li key={id} className="flex min-h-8 items-center gap-2 rounded-card px-2 hover:bg-shade">
            <Checkbox label={name} checked={chosen.includes(id)} onChange={() => toggle(id)} />
            <span aria-hidden>{name}</span> <span className="text-[13px] text-ink-soft">{school}</span>
          </li>
        ))}
        {shown.length === 0 && (
          <li className="px-2 py-1 text-ink-soft">
            {sought === "" ? "Nobody yet: type a name." : "No colleague of that name."}
          </li>
        )}
      </ul>
    </fieldset>
  );
}

/** The parts of the work, in order. */
function PartsField({ form }: { form: Pick<CheckedForm<TeamDraft>, "control" | "register" | "problemAt"> }) {
  const { fields, append, move, remove } = useFieldArray({ control: form.control, name: "lines", keyName: "key" });
  const typed = useWatch({ control: form.control, name: "lines" });
  const problem = form.problemAt("lines");
  return (
    <fieldset className="grid gap-1">
      <legend className="mb-1 font-semibold">Parts of the work, every week</legend>
      <ul className="grid gap-1">
        {fields.map(({ key }, at) => {
          const name = typed[at]?.name ?? "";
          return (
            <li key={key} className="flex items-center gap-1">
              <TextInput
                aria-label={`Part ${at + 1}`}
                maxLength={60}
                className="min-w-0 flex-1"
                {...form.register(`lines.${at}.name`)}
              />
              <IconButton name={`Move ${name} up`} small disabled={at === 0} onClick={() => move(at, at - 1)}>
                <ArrowUp size={15} aria-hidden />
              </IconButton>
              <IconButton
                name={`Move ${name} down`}
                small
                disabled={at === fields.length - 1}
                onClick={() => move(at, at + 1)}
              >
                <ArrowDown size={15} aria-hidden />
              </IconButton>
              <IconButton name={`Take ${name} out`} small onClick={() => remove(at)}>
                <X size={15} aria-hidden />
              </IconButton>
            </li>
          );
        })}
      </ul>
      {fields.length < 12 && (
        <Button size="small" className="justify-self-start" onClick={() => append({ id: null, name: "" })}>
          Add a part
        </Button>
      )}
      {problem && (
        <p role="alert" className="text-[13px] font-semibold text-clay">
          {problem}
        </p>
      )}
    </fieldset>
  );
}
