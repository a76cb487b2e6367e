"use client";
import { Link } from "@/ui/link";
import { useState, useTransition, type FormEvent } from "react";
import { askForPassword } from "@/screens/acts/sign-in";
import { Button } from "@/ui/button";
import { Field, TextInput } from "@/ui/field";
import { Brand } from "../shell/brand";

/** She forgot her password: another is chosen at an address that comes by mail. */
export function ForgottenScreen({ sends }: { sends: boolean }) {
  const [problem, setProblem] = useState<string>();
  const [asked, setAsked] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const email = String(new FormData(event.currentTarget).get("email"));
    start(async () => {
      const outcome = await askForPassword({ email });
      setProblem(outcome.ok ? undefined : outcome.problem);
      if (outcome.ok) setAsked(email);
    });
  };
  return (
    <main className="mx-auto grid max-w-md gap-5 px-6 py-10">
      <Brand />
      {!sends ? (
        <section className="grid gap-3 rounded-card border border-line bg-card p-6">
          <h1 className="font-serif text-xl">Ask the school office</h1>
          <p>
            Golden Satchel sends no mail here. The office can give you an address at which you choose a new password.
          </p>
        </section>
      ) : asked !== null ? (
        <section className="grid gap-3 rounded-card border border-line bg-card p-6" role="status">
          <h1 className="font-serif text-xl">Check your mail</h1>
          <p className="[overflow-wrap:anywhere]">
            If {asked} has an account here, a message is on its way. The link in it works for an hour. Nothing there?
            Check your spam folder, or ask the school office.
          </p>
        </section>
      ) : (
        <form onSubmit={submit} className="grid gap-4 rounded-card border border-line bg-card p-6">
          <h1 className="font-serif text-xl">A new password</h1>
          <Field label="Your e-mail address at school" problem={problem}>
            {(control) => <TextInput {...control} name="email" type="email" autoComplete="username" required />}
          </Field>
          <Button type="submit" look="main" disabled={busy}>
            {busy ? "One moment …" : "Send me a message"}
          </Button>
        </form>
      )}
      <p>
        <Link href="/sign-in" className="font-semibold text-green underline">
          Back to sign in
        </Link>
      </p>
    </main>
  );
}
