"use client";
import { School } from "lucide-react";
import { Link } from "@/ui/link";
import { useState, useTransition, type FormEvent } from "react";
import { enterAsDemoPerson, signInWithPassword } from "@/screens/acts/sign-in";
import { Button, buttonClasses } from "@/ui/button";
import { Field, TextInput } from "@/ui/field";
import { Notice } from "@/ui/notice";
import { Brand } from "../shell/brand";

export interface DemoPerson {
  id: number;
  kind: "adult" | "student";
  name: string;
  school: string | null;
  roles: string[];
  signIn: string;
  classes: string | null;
}

function DemoDoors({ people, to }: { people: DemoPerson[]; to: string | undefined }) {
  const [busy, start] = useTransition();
  const adults = people.filter(
    (person) => person.kind === "adult" && ["teacher", "curator", "office"].some((role) => person.roles.includes(role)),
  );
  const students = people.filter((person) => person.kind === "student");
  const enter = (id: number) => start(async () => void (await enterAsDemoPerson({ person: id, to })));
  const door = (person: DemoPerson) => (
    <li key={person.id}>
      <button
        type="button"
        disabled={busy}
        onClick={() => enter(person.id)}
        className="grid w-full grid-cols-[8.5rem_minmax(0,1fr)] items-baseline gap-3 rounded px-2 py-1.5 text-left hover:bg-green-wash disabled:opacity-50"
      >
        <span className="font-semibold">{person.name}</span>
        <span className="truncate text-[13px] text-ink-soft" title={person.classes ?? person.school ?? undefined}>
          {person.kind === "student" || person.roles.includes("teacher")
            ? (person.classes ?? person.school)
            : `${person.roles.includes("office") ? "office" : "curator"}, ${person.school}`}
        </span>
      </button>
    </li>
  );
  return (
    <section aria-labelledby="demo" className="rounded-card border border-line bg-card p-6">
      <h2 id="demo" className="font-serif text-xl">
        The demo: enter as
      </h2>
      <p className="mt-1 text-ink-soft">Everyone here is invented. One press and you are in.</p>
      <div className="mt-3 grid gap-x-6 gap-y-3 md:grid-cols-2">
        <div>
          <h3 className="px-2 text-[13px] text-ink-soft">Teachers</h3>
          <ul>{adults.map(door)}</ul>
        </div>
        <div>
          <h3 className="px-2 text-[13px] text-ink-soft">Students</h3>
          <ul>{students.map(door)}</ul>
        </div>
      </div>
    </section>
  );
}

export function SignInScreen({
  demo,
  to,
  why,
  providers,
}: {
  demo: DemoPerson[] | null;
  to: string | undefined;
  /** Why the school's own sign-in led back here. */
  why: string | undefined;
  /** The schools' own sign-ins. */
  providers: readonly { id: number; name: string }[];
}) {
  const [problem, setProblem] = useState<string>();
  const [busy, start] = useTransition();
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    start(async () => {
      const outcome = await signInWithPassword({
        email: String(form.get("email")),
        password: String(form.get("password")),
        to,
      });
      if (outcome && !outcome.ok) setProblem(outcome.problem);
    });
  };
  return (
    <main className="mx-auto grid max-w-6xl gap-8 px-6 py-10 lg:grid-cols-[22rem_1fr]">
      <div>
        <Brand />
        <p className="mt-3 max-w-sm text-ink-soft">
          Find a lesson, look it over, make it your own, assign it to the right students, see their answers.
        </p>
        {why && (
          <Notice tone="warning" className="mt-4">
            {why}
          </Notice>
        )}
        <form onSubmit={submit} className="mt-6 grid gap-4 rounded-card border border-line bg-card p-6">
          <h1 className="font-serif text-xl">Teachers sign in</h1>
          <Field label="E-mail">
            {(control) => <TextInput {...control} name="email" type="email" autoComplete="username" required />}
          </Field>
          <Field label="Password">
            {(control) => (
              <TextInput {...control} name="password" type="password" autoComplete="current-password" required />
            )}
          </Field>
          {problem && <Notice tone="warning">{problem}</Notice>}
          <Button type="submit" look="main" disabled={busy}>
            {busy ? "One moment …" : "Sign in"}
          </Button>
        </form>
        {providers.length > 0 && (
          <ul className="mt-4 grid gap-2" aria-label="Or sign in with">
            {providers.map(({ id, name }) => (
              <li key={id}>
                {/* It leads to another site: not a page of ours. */}
                <a href={`/sign-in/with/${id}`} className={`${buttonClasses()} w-full`}>
                  <School size={16} aria-hidden /> Sign in with {name}
                </a>
              </li>
            ))}
          </ul>
        )}
        <p className="mt-4 flex flex-wrap gap-x-6 gap-y-2">
          <Link href="/join" className="font-semibold text-green underline">
            I am a student
          </Link>
          <Link href="/sign-in/forgotten" className="underline">
            I forgot my password
          </Link>
        </p>
      </div>
      {demo && <DemoDoors people={demo} to={to} />}
    </main>
  );
}
