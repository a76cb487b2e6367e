"use client";
import { Link } from "@/ui/link";
import { useState, type FormEvent } from "react";
import type { Class } from "@/data/classes/classes";
import { keepName } from "@/screens/acts/office";
import { Button, buttonClasses } from "@/ui/button";
import { TextInput } from "@/ui/field";
import { ClassHead } from "./class-head";
import { useKeep } from "./use-keep";

export interface ClassName {
  id: number;
  class: number;
  givenName: string;
  familyName: string;
}

/** Students' names, written right: here and nowhere else. */
export function NamesCard({ classes, names }: { classes: Class[]; names: ClassName[] }) {
  const [wanted, setChosen] = useState<number | null>(null);
  const [changing, setChanging] = useState<number | null>(null);
  const { notice, busy, keep } = useKeep();
  // One that was chosen may have been put away since.
  const chosen = (classes.find(({ id }) => id === wanted) ?? classes[0])?.id;
  if (chosen === undefined) return null;
  const rename = (student: ClassName) => (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const said = new FormData(event.currentTarget);
    const [givenName, familyName] = ["given", "family"].map((name) => String(said.get(name)));
    keep(
      () => keepName({ ofStudent: student.id, givenName: givenName!, familyName: familyName! }),
      () => {
        setChanging(null);
        return `${givenName} ${familyName}: kept. Her sign-in name stays the same.`;
      },
    );
  };
  return (
    <section aria-labelledby="names" className="rounded-card border border-line bg-card p-5">
      <ClassHead
        id="names"
        title="Students’ names"
        label="Names of which class"
        classes={classes}
        chosen={chosen}
        onChoose={(id) => {
          setChosen(id);
          setChanging(null);
        }}
      />
      <p className="mb-2 text-[13px] text-ink-soft">
        A child’s sign-in name stays the same. The next roster you import will use its own spelling of names.
      </p>
      <ul className="-mx-1 max-h-72 divide-y divide-line overflow-auto px-1" tabIndex={0} aria-label="Names">
        {names
          .filter((student) => student.class === chosen)
          .map((student) => (
            <li key={student.id} className="flex min-h-10 items-center gap-2 py-1">
              {changing === student.id ? (
                <form className="flex flex-1 items-center gap-2" onSubmit={rename(student)}>
                  <TextInput
                    name="given"
                    aria-label="Given name"
                    autoFocus
                    maxLength={60}
                    defaultValue={student.givenName}
                  />
                  <TextInput name="family" aria-label="Family name" maxLength={60} defaultValue={student.familyName} />
                  <Button size="small" type="submit" disabled={busy}>
                    Keep
                  </Button>
                  <Button size="small" look="quiet" onClick={() => setChanging(null)}>
                    Cancel
                  </Button>
                </form>
              ) : (
                <>
                  <span className="flex-1">
                    {student.givenName} {student.familyName}
                  </span>
                  <Link
                    href={`/office/child/${student.id}`}
                    className={buttonClasses("quiet", "small")}
                    aria-label={`Records of ${student.givenName} ${student.familyName}`}
                  >
                    Records
                  </Link>
                  <Button
                    size="small"
                    look="quiet"
                    aria-label={`Change the name of ${student.givenName} ${student.familyName}`}
                    onClick={() => setChanging(student.id)}
                  >
                    Change
                  </Button>
                </>
              )}
            </li>
          ))}
      </ul>
      {notice}
    </section>
  );
}
