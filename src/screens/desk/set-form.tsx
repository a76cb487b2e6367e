"use client";
import { clsx } from "clsx";
import { ArrowDown, ArrowUp, X } from "lucide-react";
import { useEffect, useEffectEvent, useState } from "react";
import { Controller, useWatch } from "react-hook-form";
import type { z } from "zod";
import { months as monthNames } from "@/core/calendar/format-moment";
import { TypedSet } from "@/core/sharing/inputs";
import type { KeptSet } from "@/data/find/sets";
import { lookForSet, removeSet, saveSet } from "@/screens/acts/set";
import { Button } from "@/ui/button";
import { FormText, useCheckedForm } from "@/ui/checked-form";
import { TextInput } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";
import { tellProblem } from "@/ui/toast";
import { mediaAddress } from "../step/media";
import { useDone } from "../use-done";
import { useOnce } from "../use-once";

type Looked = Extract<Awaited<ReturnType<typeof lookForSet>>, { ok: true }>["value"];

/** A set as it is being written. */
export type SetDraft = z.input<typeof TypedSet>;
type Thing = SetDraft["items"][number];

const startSet = (set: KeptSet | null): SetDraft => ({
  name: set?.name ?? "",
  note: set?.note ?? "",
  months: [...(set?.months ?? [])],
  cover: set?.cover ?? null,
  items: [...(set?.titles ?? [])],
});

/** What words find that could be put in, and the pictures of what is in it, a moment after either has changed. */
function useLooked(words: string, items: readonly Thing[]): Looked | null {
  const [looked, setLooked] = useState<Looked | null>(null);
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
  return looked;
}

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
  /** What was typed before and is not saved; null: nothing. */
  draft: SetDraft | null;
  /** What is typed and not saved yet: it stays when she looks at another set. */
  onDraft: (draft: SetDraft) => void;
  onSaved: (id: number) => void;
  onRemoved: () => void;
}) {
  const done = useDone();
  const form = useCheckedForm(TypedSet, draft ?? startSet(set), async (typed) => {
    const outcome = await saveSet({ id: set?.id ?? null, ...typed, items: typed.items.map(({ id }) => id) });
    if (!outcome.ok) return outcome;
    done(`“${typed.name}” is on Find’s first page.`, outcome.value.event);
    onSaved(outcome.value.id);
  });
  const typed = useWatch({ control: form.control }) as SetDraft;
  const keep = useEffectEvent(onDraft);
  useEffect(() => {
    if (form.isDirty) keep(typed);
  }, [form.isDirty, typed]);
  // Saved, undone, or changed by another curator: where nothing is unsaved, the form says what there is now.
  const saved = JSON.stringify(startSet(set));
  const renew = useEffectEvent(() => draft === null && form.reset(JSON.parse(saved) as SetDraft));
  useEffect(() => void renew(), [saved]);
  const [words, setWords] = useState("");
  const looked = useLooked(words, typed.items);
  const [removing, start] = useOnce();
  const remove = () =>
    start(async () => {
      const outcome = await removeSet({ id: set!.id });
      if (!outcome.ok) return tellProblem(outcome.problem);
      done(`Deleted “${set!.name}”. What was in it stays on its shelf.`, outcome.value.event);
      onRemoved();
    });
  const problem = form.problemAt("items") ?? form.problemAt("cover") ?? form.problemAt("months");
  return (
    <form onSubmit={form.submit} noValidate className="min-h-0 overflow-auto px-6 py-5">
      <div className="grid max-w-2xl gap-5">
        <FormText form={form} name="name" label="What is it called?" maxLength={120} />
        <FormText form={form} name="note" label="Why these? One sentence." maxLength={300} />
        <Controller
          control={form.control}
          name="months"
          render={({ field }) => <MonthsField months={field.value} onMonths={field.onChange} />}
        />
        <Controller
          control={form.control}
          name="items"
          render={({ field }) => (
            <ThingsField
              things={field.value}
              words={words}
              found={looked?.found ?? null}
              onWords={setWords}
              onThings={field.onChange}
            />
          )}
        />
        <Controller
          control={form.control}
          name="cover"
          render={({ field }) => (
            <CoverField cover={field.value} pictures={looked?.pictures ?? []} onCover={field.onChange} />
          )}
        />
        {problem && (
          <p role="alert" className="font-semibold text-clay">
            {problem}
          </p>
        )}
        {form.notice}
        <div className="flex justify-end gap-2">
          {set && (
            <Button look="clay" disabled={form.busy || removing} onClick={remove}>
              Delete the set
            </Button>
          )}
          <Button type="submit" look="main" disabled={form.busy || removing}>
            {set ? "Save" : "Make the set"}
          </Button>
        </div>
      </div>
    </form>
  );
}

function MonthsField({ months, onMonths }: { months: readonly number[]; onMonths: (months: number[]) => void }) {
  return (
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
              onClick={() => onMonths(chosen ? months.filter((one) => one !== at + 1) : [...months, at + 1])}
            >
              {month}
            </Button>
          );
        })}
      </div>
    </fieldset>
  );
}

/** What is in it, in order, and words to find more with. */
function ThingsField({
  things,
  words,
  found,
  onWords,
  onThings,
}: {
  things: readonly Thing[];
  words: string;
  /** Null: not looked yet. */
  found: readonly Thing[] | null;
  onWords: (words: string) => void;
  onThings: (things: Thing[]) => void;
}) {
  const others = (found ?? []).filter(({ id }) => !things.some((thing) => thing.id === id)).slice(0, 8);
  const move = (at: number, by: 1 | -1) => {
    const next = [...things];
    [next[at], next[at + by]] = [next[at + by]!, next[at]!];
    onThings(next);
  };
  return (
    <fieldset>
      <legend className="mb-1 font-semibold">What is in it, in order</legend>
      <ol className="grid gap-0.5">
        {things.map((thing, at) => (
          <li key={thing.id} className="flex items-center gap-1 rounded-card border border-line bg-card px-3 py-1">
            <span className="min-w-0 flex-1">
              {thing.title} <span className="text-[13px] text-ink-soft">· {thing.author}</span>
            </span>
            <IconButton name={`Move ${thing.title} up`} small disabled={at === 0} onClick={() => move(at, -1)}>
              <ArrowUp size={14} aria-hidden />
            </IconButton>
            <IconButton
              name={`Move ${thing.title} down`}
              small
              disabled={at === things.length - 1}
              onClick={() => move(at, 1)}
            >
              <ArrowDown size={14} aria-hidden />
            </IconButton>
            <IconButton
              name={`Take ${thing.title} out`}
              small
              onClick={() => onThings(things.filter(({ id }) => id !== thing.id))}
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
        onChange={(event) => onWords(event.target.value)}
        onKeyDown={(event) => {
          if (event.key !== "Enter") return;
          event.preventDefault();
          if (others[0]) onThings([...things, others[0]]);
        }}
      />
      {words.trim() !== "" && (
        <ul aria-label="Found" className="mt-1">
          {others.map((one) => (
            <li key={one.id}>
              <button
                type="button"
                onClick={() => onThings([...things, one])}
                className="w-full rounded-card px-3 py-1 text-left hover:bg-green-wash"
              >
                {one.title} <span className="text-[13px] text-ink-soft">· {one.author}</span>
              </button>
            </li>
          ))}
          {found && others.length === 0 && (
            <li className="px-3 text-ink-soft">Nothing else on these shelves matches.</li>
          )}
        </ul>
      )}
    </fieldset>
  );
}

/** Its picture, one of those in its things. */
function CoverField({
  cover,
  pictures,
  onCover,
}: {
  cover: string | null;
  pictures: readonly string[];
  onCover: (cover: string | null) => void;
}) {
  const all = [...new Set([...(cover ? [cover] : []), ...pictures])];
  if (all.length === 0) return null;
  return (
    <fieldset>
      <legend className="mb-1 font-semibold">A picture for it</legend>
      <div className="flex flex-wrap gap-2">
        <Button size="small" aria-pressed={cover === null} onClick={() => onCover(null)}>
          None
        </Button>
        {all.map((picture, at) => (
          <button
            key={picture}
            type="button"
            aria-label={`Picture ${at + 1}`}
            aria-pressed={cover === picture}
            onClick={() => onCover(picture)}
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
  );
}
