"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { formatDay } from "@/core/calendar/format-moment";
import { noteWords } from "@/core/find/note-words";
import { noteUse, takeBackNote } from "@/screens/acts/keep";
import type { AssignContext } from "@/server/assign/assign-context";
import type { LightTableData } from "@/server/find/light-table";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { tell, tellProblem } from "@/ui/toast";

type NoteWord = (typeof noteWords)[number];

/** Who at her school used it and how it went; her own word on it. Nothing of this leaves the school. */
export function NotesView({ data, assign }: { data: LightTableData; assign: AssignContext }) {
  const router = useRouter();
  const current = assign.classes.find((one) => one.id === assign.current) ?? assign.classes[0];
  const [className, setClassName] = useState(current?.name ?? "");
  const [words, setWords] = useState<NoteWord[]>([]);
  const [text, setText] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const { notes, resource } = data;

  const takeBack = async (id: number) => {
    const outcome = await takeBackNote({ id });
    if (!outcome.ok) return tellProblem(outcome.problem);
    router.refresh();
  };
  const leave = async () => {
    const outcome = await noteUse({ resource: resource.id, className, words, text });
    if (!outcome.ok) return setProblem(outcome.problem);
    setProblem(null);
    setWords([]);
    setText("");
    router.refresh();
    tell("Your colleagues can now read it.", () => void takeBack(outcome.value.id));
  };
  return (
    <div
      className="grid h-full grid-cols-2 gap-8 overflow-auto px-5 pb-5 text-[14px]"
      tabIndex={0}
      role="region"
      aria-label="Colleagues"
    >
      <section aria-label="What colleagues said">
        {notes.length === 0 && <p className="text-ink-soft">No one at your school has said how it went yet.</p>}
        <ul className="grid gap-3">
          {notes.map((note) => (
            <li key={note.id} className="border-b border-line pb-2">
              <p>
                <strong>{note.words.join(", ")}</strong>
              </p>
              {note.text && <p>{note.text}</p>}
              <p className="flex items-center gap-2 text-[13px] text-ink-soft">
                {note.by}, with {note.className}, {formatDay(note.at, assign.zone, assign.now)}
                {/* Only her own can be taken back; the server asks again. */}
                {note.mine && (
                  <button type="button" className="underline" onClick={() => void takeBack(note.id)}>
                    take back
                  </button>
                )}
              </p>
            </li>
          ))}
        </ul>
      </section>
      <form
        aria-label="How it went"
        className="grid content-start gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void leave();
        }}
      >
        <label className="grid gap-1">
          <span className="text-ink-soft">I used it with</span>
          <input
            value={className}
            onChange={(event) => setClassName(event.target.value)}
            maxLength={80}
            className="h-9 rounded-card border border-line-strong bg-card px-2.5"
          />
        </label>
        <fieldset>
          <legend className="text-ink-soft">It (one to four)</legend>
          <div className="mt-1 grid grid-cols-2 gap-1">
            {noteWords.map((word) => (
              <label key={word} className="flex min-h-7 items-center gap-2">
                <Checkbox
                  label={word}
                  checked={words.includes(word)}
                  onChange={(on) => setWords((old) => (on ? [...old, word] : old.filter((one) => one !== word)))}
                />
                <span aria-hidden>{word}</span>
              </label>
            ))}
          </div>
        </fieldset>
        <label className="grid gap-1">
          <span className="text-ink-soft">In your words, if you like</span>
          <textarea
            value={text}
            onChange={(event) => setText(event.target.value)}
            maxLength={600}
            rows={3}
            className="rounded-card border border-line-strong bg-card p-2.5"
          />
        </label>
        {problem && (
          <p role="alert" className="text-clay">
            {problem}
          </p>
        )}
        <div>
          <Button type="submit">Tell my school</Button>
        </div>
      </form>
    </div>
  );
}
