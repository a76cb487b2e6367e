"use client";
import { Link } from "@/ui/link";
import { useState, useTransition, type FormEvent } from "react";
import { enterCode } from "@/screens/acts/sign-in";
import { Button } from "@/ui/button";
import { Field, TextInput } from "@/ui/field";
import { Brand } from "../shell/brand";

/** The second step: the code of her app. */
export function CodeScreen() {
  const [problem, setProblem] = useState<string>();
  const [busy, start] = useTransition();
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    start(async () => {
      const outcome = await enterCode({ code: String(new FormData(form).get("code")) });
      if (outcome && !outcome.ok) {
        setProblem(outcome.problem);
        form.reset();
      }
    });
  };
  return (
    <main className="mx-auto grid max-w-md gap-5 px-6 py-10">
      <Brand />
      <form onSubmit={submit} className="grid gap-4 rounded-card border border-line bg-card p-6">
        <h1 className="font-serif text-xl">The code from your app</h1>
        <Field label="Six digits, or one of the codes you wrote down" problem={problem}>
          {(control) => (
            <TextInput {...control} name="code" autoComplete="one-time-code" autoFocus maxLength={40} required />
          )}
        </Field>
        <Button type="submit" look="main" disabled={busy}>
          {busy ? "One moment …" : "Sign in"}
        </Button>
      </form>
      <p>
        No phone and no codes? The school office can turn the second step off.{" "}
        <Link href="/sign-in" className="font-semibold text-green underline">
          Start again
        </Link>
      </p>
    </main>
  );
}
