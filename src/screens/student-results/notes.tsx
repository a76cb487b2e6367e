"use client";
import { X } from "lucide-react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { formatDay } from "@/core/calendar/format-moment";
import type { StudentNote } from "@/data/results/student-notes";
import { Button } from "@/ui/button";
import { inputClasses } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";
import { tell, tellProblem } from "@/ui/toast";
import { noteDown, setNote } from "../acts/notes";
import { useOnce } from "../use-once";

/** What her teachers noted down about a child, the newest first. */
export function Notes({
  notes,
  about,
  me,
  zone,
  now,
}: {
  notes: readonly StudentNote[];
  about: { class: number; student: number };
  me: number;
  zone: string;
  now: Date;
}) {
  const router = useRouter();
  const [busy, once] = useOnce();
  const [text, setText] = useState("");
  const add = () =>
    once(async () => {
      const outcome = await noteDown({ ...about, text });
      if (!outcome.ok) return tellProblem(outcome.problem);
      setText("");
      router.refresh();
    });
  const set = async (note: number, there: boolean) => {
    const outcome = await setNote({ ...about, note, there });
    if (!outcome.ok) return tellProblem(outcome.problem);
    router.refresh();
    if (!there) tell("The note is removed.", () => set(note, true));
  };
  return (
    <section aria-labelledby="notes" className="mt-4">
      <h2 id="notes" className="font-serif text-[17px]">
        Notes
      </h2>
      <form
        className="not-printed mt-1 grid gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          add();
        }}
      >
        <textarea
          rows={2}
          maxLength={2000}
          aria-label="A note for the child’s teachers"
          placeholder="For this child’s teachers only"
          className={`${inputClasses} text-[13px]`}
          value={text}
          onChange={(event) => setText(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === "Enter" && (event.ctrlKey || event.metaKey)) {
              event.preventDefault();
              if (text.trim()) add();
            }
          }}
        />
        {text.trim() !== "" && (
          <Button type="submit" size="small" className="justify-self-end" disabled={busy}>
            Add note
          </Button>
        )}
      </form>
      <ul className="mt-1">
        {notes.map(({ id, by, byId, at, text: said }) => (
          <li key={id} className="flex items-start gap-2 border-b border-line py-1.5 text-[13px]">
            <p className="min-w-0 flex-1 whitespace-pre-line [overflow-wrap:anywhere]">
              <span className="numbers text-ink-soft">
                {formatDay(at, zone, now)} · {byId === me ? "you" : by}
              </span>
              <br />
              {said}
            </p>
            {byId === me && (
              <span className="not-printed">
                <IconButton name="Remove the note" small onClick={() => void set(id, false)}>
                  <X size={14} aria-hidden />
                </IconButton>
              </span>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
