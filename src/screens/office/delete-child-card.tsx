"use client";
import { Trash2 } from "lucide-react";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import type { StoredOfChild } from "@/data/keep/delete-child";
import { deleteChildRecords } from "@/screens/acts/child-records";
import { Button } from "@/ui/button";
import { Field, inputClasses } from "@/ui/field";
import { Notice } from "@/ui/notice";
import { tell } from "@/ui/toast";

const counted = (count: number, one: string, many: string) => (count === 1 ? `one ${one}` : `${count} ${many}`);
function listed(stored: StoredOfChild): string {
  const parts = [
    stored.works > 0 && counted(stored.works, "piece of work", "pieces of work"),
    stored.answers > 0 && counted(stored.answers, "answer", "answers"),
    stored.marks > 0 && counted(stored.marks, "result", "results"),
    stored.notes > 0 && counted(stored.notes, "teacher’s note", "teachers’ notes"),
    stored.files > 0 && counted(stored.files, "picture or recording", "pictures and recordings"),
    stored.classes > 0 && `the place in ${counted(stored.classes, "class", "classes")}`,
  ].filter((part) => part !== false);
  return parts.length === 0 ? "the name and how the child signs in" : `the name, ${parts.join(", ")}`;
}

/** Deletes all that is stored about a child: says first what goes and what stays, and wants the name typed. */
export function DeleteChildCard({ student, name, stored }: { student: number; name: string; stored: StoredOfChild }) {
  const router = useRouter();
  const [typed, setTyped] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const go = () =>
    start(async () => {
      const outcome = await deleteChildRecords({ ofStudent: student, name: typed });
      if (!outcome.ok) return setProblem(outcome.problem);
      tell("Deleted. Only the day it was done is noted, without the name.");
      router.push("/office");
      router.refresh();
    });
  return (
    <section aria-labelledby="delete" className="rounded-card border border-clay bg-card p-5">
      <h2 id="delete" className="font-semibold">
        Delete everything
      </h2>
      <p className="mt-1 text-ink-soft">
        Deletes {listed(stored)}. It cannot be undone. Download the file first if the family may want it.
      </p>
      <ul className="mt-2 list-disc pl-5 text-ink-soft">
        {stored.sharedPages > 0 && (
          <li>
            In {counted(stored.sharedPages, "page", "pages")} written together with others, the others’ words stay.
          </li>
        )}
        <li>A picture that a teacher shows in a lesson stays in that lesson.</li>
        <li>Backups made until today still contain it. They are removed when they get too old.</li>
        <li>Changes to classes or work that name this child can no longer be undone.</li>
      </ul>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          go();
        }}
      >
        <Field className="mt-3 max-w-sm" label={`To delete, type the name: ${name}`}>
          {(control) => (
            <input
              {...control}
              className={inputClasses}
              autoComplete="off"
              value={typed}
              maxLength={200}
              onChange={(event) => setTyped(event.target.value)}
            />
          )}
        </Field>
        {problem && (
          <Notice tone="warning" className="mt-2">
            {problem}
          </Notice>
        )}
        <Button type="submit" className="mt-3" disabled={busy || typed.trim() === ""}>
          <Trash2 size={16} aria-hidden /> {busy ? "Deleting …" : "Delete for good"}
        </Button>
      </form>
    </section>
  );
}
