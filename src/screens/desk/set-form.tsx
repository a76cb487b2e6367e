"use client";
import { clsx } from "clsx";
import { ArrowDown, ArrowUp, X } from "lucide-react";
import { useEffect, useState, type FormEvent } from "react";
import { months as monthNames } from "@/core/calendar/format-moment";
import type { KeptSet } from "@/data/find/sets";
import { lookForSet, removeSet, saveSet } from "@/screens/acts/set";
import { Button } from "@/ui/button";
import { Field, TextInput } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";
import { Notice } from "@/ui/notice";
import { tellProblem } from "@/ui/toast";
import { mediaAddress } from "../step/media";
import { useDone } from "../use-done";
import { useOnce } from "../use-once";

type Looked = Extract<Awaited<ReturnType<typeof lookForSet>>, { ok: true }>["value"];

/** A set as it is being written. */
export interface SetDraft {
  name: string;
  note: string;
  months: readonly number[];
  cover: string | null;
  items: readonly { id: number; title: string; author: string }[];
}

export const startSet = (set: KeptSet | null): SetDraft => ({
  name: set?.name ?? "",
  note: set?.note ?? "",
  months: set?.months ?? [],
  cover: set?.cover ?? null,
  items: set?.titles ?? [],
});

/** One set: what it is called, why, when in the year, its picture, and its things in their order. */
export function SetForm({
  set,
  draft,
  onDraft,
  onSaved,
  onRemoved,
}: {
  /** Null: a new one. */
  set: KeptSet | null;
  draft: SetDraft;
  onDraft: (draft: SetDraft) => void;
  onSaved: (id: number) => void;
  onRemoved: () => void;
}) {
  const { name, note, months, cover, items } = draft;
  const change = (part: Partial<SetDraft>) => onDraft({ ...draft, ...part });
  const [words, setWords] = useState("");
  const [looked, setLooked] = useState<Looked | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useOnce();
  const done = useDone();
  const key = items.map(({ id }) => id).join();
  useEffect(() => {
    let gone = false;
    const wait = setTimeout(() => {
      void lookForSet({ words, items: key === "" ? [] : key.split(",").map(Number) }).then((outcome) => {
        if (!gone && outcome.ok) setLooked(outcome.value);
      });
    }, 200);
    return () => {
      gone = true;
      clearTimeout(wait);
    };
  }, [words, key]);
  const move = (at: number, by: 1 | -1) => {
    const next = [...items];
    [next[at], next[at + by]] = [next[at + by]!, next[at]!];
    change({ items: next });
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    start(async () => {
      setProblem(null);
      const form = { id: set?.id ?? null, name, note, months: [...months], cover, items: items.map(({ id }) => id) };
      const outcome = await saveSet(form);
      if (!outcome.ok) return setProblem(outcome.problem);
      done(`“${name}” is on Find’s first page.`, outcome.value.event);
      onSaved(outcome.value.id);
    });
  };
  const remove = () =>
    start(async () => {
      const outcome = await removeSet({ id: set!.id });
      if (!outcome.ok) return tellProblem(outcome.problem);
      done(`Deleted “${set!.name}”. What was in it stays on its shelf.`, outcome.value.event);
      onRemoved();
    });
  const found = (looked?.found ?? []).filter(({ id }) => !items.some((item) => item.id === id)).slice(0, 8);
  return (
    <form onSubmit={submit} className="min-h-0 overflow-auto px-6 py-5">
      <div className="grid max-w-2xl gap-5">
        <Field label="What is it called?">
          {(control) => (
            <TextInput
              {...control}
              value={name}
              maxLength={120}
              onChange={(event) => change({ name: event.target.value })}
            />
          )}
        </Field>
        <Field label="Why these? One sentence.">
          {(control) => (
            <TextInput
              {...control}
              value={note}
              maxLength={300}
              onChange={(event) => change({ note: event.target.value })}
            />
          )}
        </Field>
        <fieldset>
          <legend className="mb-1 font-semibold">When in the year (none chosen: all year)</legend>
          <div className="flex flex-wrap gap-1">
            {monthNames.map((month, at) => {
              const chosen = months.includes(at + 1);
              return (
                <Button
                  key={month}
                  size="small"
                  look={chosen ? "main" : "plain"}
                  aria-pressed={chosen}
                  onClick={() =>
                    change({ months: chosen ? months.filter((one) => one !== at + 1) : [...months, at + 1] })
                  }
                >
                  {month}
                </Button>
              );
            })}
          </div>
        </fieldset>
        <fieldset>
          <legend className="mb-1 font-semibold">What is in it, in order</legend>
          <ol className="grid gap-0.5">
            {items.map((item, at) => (
              <li key={item.id} className="flex items-center gap-1 rounded-card border border-line bg-card px-3 py-1">
                <span className="min-w-0 flex-1">
                  {item.title} <span className="text-[13px] text-ink-soft">· {item.author}</span>
                </span>
                <IconButton name={`Move ${item.title} up`} small disabled={at === 0} onClick={() => move(at, -1)}>
                  <ArrowUp size={14} aria-hidden />
                </IconButton>
                <IconButton
                  name={`Move ${item.title} down`}
                  small
                  disabled={at === items.length - 1}
                  onClick={() => move(at, 1)}
                >
                  <ArrowDown size={14} aria-hidden />
                </IconButton>
                <IconButton
                  name={`Take ${item.title} out`}
                  small
                  onClick={() => change({ items: items.filter(({ id }) => id !== item.id) })}
                >
                  <X size={14} aria-hidden />
                </IconButton>
              </li>
            ))}
          </ol>
          <TextInput
            type="search"
            className="mt-2"
            aria-label="Find something to put in"
            placeholder="on the district shelf or in the commons …"
            value={words}
            maxLength={120}
            onChange={(event) => setWords(event.target.value)}
            onKeyDown={(event) => {
              if (event.key !== "Enter") return;
              event.preventDefault();
              if (found[0]) change({ items: [...items, found[0]] });
            }}
          />
          {words.trim() !== "" && (
            <ul aria-label="Found" className="mt-1">
              {found.map((one) => (
                <li key={one.id}>
                  <button
                    type="button"
                    onClick={() => change({ items: [...items, one] })}
                    className="w-full rounded-card px-3 py-1 text-left hover:bg-green-wash"
                  >
                    {one.title} <span className="text-[13px] text-ink-soft">· {one.author}</span>
                  </button>
                </li>
              ))}
              {looked && found.length === 0 && (
                <li className="px-3 text-ink-soft">Nothing else on these shelves matches.</li>
              )}
            </ul>
          )}
        </fieldset>
        {((looked?.pictures.length ?? 0) > 0 || cover) && (
          <fieldset>
            <legend className="mb-1 font-semibold">A picture for it</legend>
            <div className="flex flex-wrap gap-2">
              <Button size="small" aria-pressed={cover === null} onClick={() => change({ cover: null })}>
                None
              </Button>
              {[...new Set([...(cover ? [cover] : []), ...(looked?.pictures ?? [])])].map((picture, at) => (
                <button
                  key={picture}
                  type="button"
                  aria-label={`Picture ${at + 1}`}
                  aria-pressed={cover === picture}
                  onClick={() => change({ cover: picture })}
                  className={clsx(
                    "rounded-card border-2 p-0.5",
                    cover === picture ? "border-green" : "border-line hover:border-line-strong",
                  )}
                >
                  {/* eslint-disable-next-line @next/next/no-img-element -- small, and from our own address */}
                  <img src={mediaAddress(picture)} alt="" className="h-14 w-20 rounded-[4px] object-cover" />
                </button>
              ))}
            </div>
          </fieldset>
        )}
        {problem && <Notice tone="warning">{problem}</Notice>}
        <div className="flex justify-end gap-2">
          {set && (
            <Button look="clay" disabled={busy} onClick={remove}>
              Delete the set
            </Button>
          )}
          <Button type="submit" look="main" disabled={busy}>
            {set ? "Save" : "Make the set"}
          </Button>
        </div>
      </div>
    </form>
  );
}
