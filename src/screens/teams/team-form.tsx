"use client";
import { ArrowDown, ArrowUp, X } from "lucide-react";
import { useState, type FormEvent } from "react";
import { called } from "@/core/people/called";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Field, TextInput } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";
import { Notice } from "@/ui/notice";

export interface TeamDraft {
  name: string;
  people: number[];
  lines: { id: number | null; name: string }[];
}

export interface TeamFormProps {
  start: TeamDraft;
  /** Herself and all who could be in it. */
  people: readonly { id: number; name: string; school: string | null }[];
  problem: string | null;
  busy: boolean;
  saveText: string;
  onSave: (draft: TeamDraft) => void;
}

/** A team's name, people and parts of the work. */
export function TeamForm({ start, people, problem, busy, saveText, onSave }: TeamFormProps) {
  const [draft, setDraft] = useState(start);
  const [words, setWords] = useState("");
  const change = (part: Partial<TeamDraft>) => setDraft({ ...draft, ...part });
  const sought = words.trim();
  const shown = (sought === "" ? people.filter(({ id }) => draft.people.includes(id)) : called(people, words)).slice(
    0,
    30,
  );
  const toggle = (id: number) =>
    change({
      people: draft.people.includes(id) ? draft.people.filter((one) => one !== id) : [...draft.people, id],
    });
  const move = (at: number, by: 1 | -1) => {
    const lines = [...draft.lines];
    [lines[at], lines[at + by]] = [lines[at + by]!, lines[at]!];
    change({ lines });
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    onSave({ ...draft, lines: draft.lines.filter(({ name }) => name.trim() !== "") });
  };
  return (
    <form onSubmit={submit} className="grid gap-4">
      <Field label="What is the team called?">
        {(control) => (
          <TextInput
            {...control}
            autoFocus
            value={draft.name}
            maxLength={80}
            onChange={(event) => change({ name: event.target.value })}
          />
        )}
      </Field>
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
              <Checkbox label={name} checked={draft.people.includes(id)} onChange={() => toggle(id)} />
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
      <fieldset className="grid gap-1">
        <legend className="mb-1 font-semibold">Parts of the work, every week</legend>
        <ul className="grid gap-1">
          {draft.lines.map((line, at) => (
            <li key={at} className="flex items-center gap-1">
              <TextInput
                aria-label={`Part ${at + 1}`}
                value={line.name}
                maxLength={60}
                className="min-w-0 flex-1"
                onChange={(event) =>
                  change({
                    lines: draft.lines.map((one, nth) => (nth === at ? { ...one, name: event.target.value } : one)),
                  })
                }
              />
              <IconButton name={`Move ${line.name} up`} small disabled={at === 0} onClick={() => move(at, -1)}>
                <ArrowUp size={15} aria-hidden />
              </IconButton>
              <IconButton
                name={`Move ${line.name} down`}
                small
                disabled={at === draft.lines.length - 1}
                onClick={() => move(at, 1)}
              >
                <ArrowDown size={15} aria-hidden />
              </IconButton>
              <IconButton
                name={`Take ${line.name} out`}
                small
                onClick={() => change({ lines: draft.lines.filter((_, nth) => nth !== at) })}
              >
                <X size={15} aria-hidden />
              </IconButton>
            </li>
          ))}
        </ul>
        {draft.lines.length < 12 && (
          <Button
            size="small"
            type="button"
            className="justify-self-start"
            onClick={() => change({ lines: [...draft.lines, { id: null, name: "" }] })}
          >
            Add a part
          </Button>
        )}
      </fieldset>
      {problem && <Notice tone="warning">{problem}</Notice>}
      <div className="flex justify-end">
        <Button type="submit" look="main" disabled={busy}>
          {saveText}
        </Button>
      </div>
    </form>
  );
}
