"use client";
import { Users, X } from "lucide-react";
import { useState, type FormEvent } from "react";
import { called } from "@/core/people/called";
import { formatList } from "@/core/format-list";
import type { Pocket, PocketMay } from "@/data/satchel/pockets";
import { keepTogether, lookWhoKeeps } from "@/screens/acts/pockets";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { inputClasses, TextInput } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";
import { Notice } from "@/ui/notice";
import { useDone } from "../use-done";
import { useLooked } from "../use-looked";
import { useOnce } from "../use-once";

type Colleague = { id: number; name: string; school: string | null };

const mays: Record<PocketMay, string> = {
  look: "can look",
  add: "can add things",
  arrange: "can add, arrange and take out",
};

/** Who keeps a pocket with her, and what each may do there. */
export function PocketTogether({ pocket, onClose }: { pocket: Pocket; onClose: () => void }) {
  const looked = useLooked(lookWhoKeeps, { pocket: pocket.id }, 0);
  const colleagues = looked.value;
  // As she saw them when she began: what somebody else changes meanwhile stays changed.
  const [was] = useState(pocket.people);
  const [people, setPeople] = useState<readonly { id: number; name: string; may: PocketMay }[]>(pocket.people);
  const [words, setWords] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useOnce();
  const done = useDone();
  const others = (colleagues ?? []).filter(({ id }) => !people.some((one) => one.id === id));
  const fitting = called(others, words);
  const shown = fitting.slice(0, 30);
  const add = ({ id, name }: Colleague) => {
    setPeople([...people, { id, name, may: "arrange" }]);
    setWords("");
  };
  const save = (event: FormEvent) => {
    event.preventDefault();
    start(async () => {
      const bare = (list: typeof people) => list.map(({ id, may }) => ({ id, may }));
      const outcome = await keepTogether({ pocket: pocket.id, was: bare(was), people: bare(people) });
      if (!outcome.ok) return setProblem(outcome.problem);
      const names = formatList(people.map(({ name }) => name));
      done(
        people.length > 0 ? `You keep “${pocket.name}” with ${names}.` : `You keep “${pocket.name}” by yourself.`,
        outcome.value.event,
      );
      onClose();
    });
  };
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={`Who keeps “${pocket.name}” with you`}>
      <form onSubmit={save} className="grid gap-3">
        <TextInput
          autoFocus
          type="search"
          aria-label="Find a colleague"
          placeholder="a name …"
          value={words}
          maxLength={80}
          onChange={(event) => setWords(event.target.value)}
          onKeyDown={(event) => {
            if (event.key !== "Enter" || !shown[0] || words.trim() === "") return;
            event.preventDefault();
            add(shown[0]);
          }}
        />
        {(words.trim() !== "" || people.length === 0) && (
          <ul aria-label="Colleagues" className="max-h-40 overflow-auto rounded-card border border-line p-1">
            {shown.map((one) => (
              <li key={one.id}>
                <button
                  type="button"
                  onClick={() => add(one)}
                  className="flex min-h-8 w-full items-center gap-2 rounded-card px-2 text-left hover:bg-shade"
                >
                  {one.name} <span className="text-[13px] text-ink-soft">{one.school}</span>
                </button>
              </li>
            ))}
            {fitting.length > shown.length && (
              <li className="px-2 text-[13px] text-ink-soft">And {fitting.length - shown.length} more: type a name.</li>
            )}
            {colleagues === null ? (
              <li className="px-2 py-1 text-ink-soft">Finding your colleagues …</li>
            ) : (
              fitting.length === 0 && <li className="px-2 py-1 text-ink-soft">No colleague of that name.</li>
            )}
          </ul>
        )}
        {people.length > 0 && (
          <ul aria-label="They keep it with you">
            {people.map(({ id, name, may }) => (
              <li key={id} className="flex flex-wrap items-center gap-2 border-t border-line py-1.5">
                <span className="min-w-0 flex-1">{name}</span>
                <select
                  aria-label={`What ${name} can do`}
                  className={`${inputClasses} !w-auto`}
                  value={may}
                  onChange={(event) =>
                    setPeople(
                      people.map((one) => (one.id === id ? { ...one, may: event.target.value as PocketMay } : one)),
                    )
                  }
                >
                  {Object.entries(mays).map(([value, text]) => (
                    <option key={value} value={value}>
                      {text}
                    </option>
                  ))}
                </select>
                <IconButton
                  name={`Take ${name} out`}
                  small
                  onClick={() => setPeople(people.filter((one) => one.id !== id))}
                >
                  <X size={15} aria-hidden />
                </IconButton>
              </li>
            ))}
          </ul>
        )}
        <p className="text-[13px] text-ink-soft">
          Everybody sees what the others put in, can copy it and assign it. What each of you changes is kept, even at
          the same time. Something of your own is seen as long as it is in the pocket and published.
        </p>
        {(problem ?? looked.problem) && <Notice tone="warning">{problem ?? looked.problem}</Notice>}
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button look="main" type="submit" disabled={busy}>
            <Users size={16} aria-hidden /> {busy ? "One moment …" : "Save"}
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
