"use client";
import { Laptop } from "lucide-react";
import { Link } from "@/ui/link";
import { useRouter } from "next/navigation";
import { useTransition, type FormEvent } from "react";
import { useState } from "react";
import { setNewPassword, signOutElsewhere } from "@/screens/acts/account";
import { Button } from "@/ui/button";
import { Field, TextInput } from "@/ui/field";
import { tell, tellProblem } from "@/ui/toast";
import { Brand } from "../shell/brand";
import { SecondStepCard } from "./second-step-card";

export interface SessionSaid {
  device: string;
  since: string;
  isThis: boolean;
}

/** How she signs in: her password, a second step, and where she is signed in now. */
export function AccountScreen({
  email,
  sessions,
  recoveryLeft,
}: {
  email: string;
  sessions: readonly SessionSaid[];
  /** Codes that are still good; null: there is no second step. */
  recoveryLeft: number | null;
}) {
  return (
    <main className="mx-auto grid max-w-3xl gap-5 px-6 py-8">
      <div className="flex items-center gap-4">
        <Brand />
        <Link href="/" className="ml-auto font-semibold text-green underline">
          Back to work
        </Link>
      </div>
      <h1 className="font-serif text-[22px]">My account</h1>
      <SessionsCard sessions={sessions} />
      <SecondStepCard email={email} recoveryLeft={recoveryLeft} />
      <PasswordCard />
    </main>
  );
}

function SessionsCard({ sessions }: { sessions: readonly SessionSaid[] }) {
  const router = useRouter();
  const [busy, start] = useTransition();
  const others = sessions.filter(({ isThis }) => !isThis).length;
  return (
    <section aria-labelledby="sessions" className="rounded-card border border-line bg-card p-5">
      <h2 id="sessions" className="font-semibold">
        Signed in now
      </h2>
      <ul className="mt-2 grid gap-1.5">
        {sessions.map(({ device, since, isThis }, at) => (
          <li key={at} className="flex flex-wrap items-center gap-x-3">
            <Laptop size={16} aria-hidden className="shrink-0 text-ink-soft" />
            <span className="min-w-36 flex-1">
              {device} {isThis && <strong>(here)</strong>}
            </span>
            <span className="text-[13px] text-ink-soft">since {since}</span>
          </li>
        ))}
      </ul>
      <Button
        className="mt-3"
        disabled={busy || others === 0}
        onClick={() =>
          start(async () => {
            const outcome = await signOutElsewhere({});
            if (!outcome.ok) return tellProblem(outcome.problem);
            tell("You are signed out everywhere else.");
            router.refresh();
          })
        }
      >
        {others === 0 ? "Signed in nowhere else" : "Sign out everywhere else"}
      </Button>
    </section>
  );
}

function PasswordCard() {
  const [problem, setProblem] = useState<{ text: string; field?: string | undefined }>();
  const [busy, start] = useTransition();
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const said = new FormData(form);
    start(async () => {
      const outcome = await setNewPassword({ password: String(said.get("password")), next: String(said.get("next")) });
      setProblem(outcome.ok ? undefined : { text: outcome.problem, field: outcome.field });
      if (!outcome.ok) return;
      form.reset();
      tell("Your new password is saved. You are signed out everywhere else.");
    });
  };
  const of = (field: string) => (problem && (problem.field ?? "password") === field ? problem.text : undefined);
  return (
    <form onSubmit={submit} aria-labelledby="password" className="rounded-card border border-line bg-card p-5">
      <h2 id="password" className="font-semibold">
        Password
      </h2>
      <div className="mt-2 grid gap-3 sm:grid-cols-2">
        <Field label="Current password" problem={of("password")}>
          {(control) => (
            <TextInput {...control} name="password" type="password" autoComplete="current-password" required />
          )}
        </Field>
        <Field label="New password, at least 10 characters" problem={of("next")}>
          {(control) => (
            <TextInput
              {...control}
              name="next"
              type="password"
              autoComplete="new-password"
              minLength={10}
              maxLength={200}
              required
            />
          )}
        </Field>
      </div>
      <Button type="submit" className="mt-3" disabled={busy}>
        {busy ? "One moment …" : "Save the new password"}
      </Button>
    </form>
  );
}
