"use client";
import { Link } from "@/ui/link";
import { useState, useTransition, type FormEvent } from "react";
import { acceptInvitation } from "@/screens/acts/begin";
import { Button } from "@/ui/button";
import { Field, TextInput } from "@/ui/field";
import { Brand } from "../shell/brand";

/** Somebody new chooses a password, and is in. */
export function WelcomeScreen({
  token,
  invited,
}: {
  token: string;
  invited: { givenName: string; schoolName: string | null; isKnown: boolean } | null;
}) {
  const [problem, setProblem] = useState<string>();
  const [busy, start] = useTransition();
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const password = String(new FormData(event.currentTarget).get("password"));
    start(async () => {
      const outcome = await acceptInvitation({ token, password });
      if (outcome && !outcome.ok) setProblem(outcome.problem);
    });
  };
  return (
    <main className="mx-auto grid max-w-md gap-5 px-6 py-10">
      <Brand />
      {invited ? (
        <form onSubmit={submit} className="grid gap-4 rounded-card border border-line bg-card p-6">
          <h1 className="font-serif text-xl">
            {invited.isKnown ? "A new password" : "Welcome"}, {invited.givenName}
          </h1>
          <p className="text-ink-soft">
            {invited.isKnown
              ? "The old one does not work any more once you have saved this one, and you are signed out everywhere else."
              : `${invited.schoolName ?? "Your school"} has made an account for you.`}{" "}
            Choose a password you use nowhere else.
          </p>
          <Field label="Password, at least 10 characters" problem={problem}>
            {(control) => (
              <TextInput
                {...control}
                name="password"
                type="password"
                autoComplete="new-password"
                minLength={10}
                maxLength={200}
                required
              />
            )}
          </Field>
          <Button type="submit" look="main" disabled={busy}>
            {busy ? "One moment …" : "Save it and sign in"}
          </Button>
        </form>
      ) : (
        <section className="grid gap-3 rounded-card border border-line bg-card p-6">
          <h1 className="font-serif text-xl">This address does not work any more</h1>
          <p>
            It works once: an invitation for 14 days, a new password for an hour. Ask again, or ask the school office
            for a new one.
          </p>
          <Link href="/sign-in" className="font-semibold text-green underline">
            I have a password already
          </Link>
        </section>
      )}
    </main>
  );
}
