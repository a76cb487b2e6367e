"use client";
import { useState, type FormEvent } from "react";
import { useTranslations } from "use-intl";
import { comeAsGuest } from "@/screens/acts/guests";
import { useOnce } from "../use-once";
import { useProblem } from "../language/use-problem";

/** Where a guest comes in: a name, and nothing else. */
export function GuestScreen({ token, title, teacher }: { token: string; title: string; teacher: string }) {
  const t = useTranslations("guest");
  const problemText = useProblem();
  const [name, setName] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, once] = useOnce();
  const submit = (event: FormEvent) => {
    event.preventDefault();
    once(async () => {
      const outcome = await comeAsGuest({ token, name });
      // Who comes in is led on, and nothing comes back.
      if (outcome && !outcome.ok) setProblem(problemText(outcome));
    });
  };
  return (
    <main className="finger-size mx-auto grid max-w-xl gap-4 px-4 py-10 font-child text-[17px]">
      <h1 className="font-serif text-2xl">{t("title")}</h1>
      <p>{t("who", { teacher, title })}</p>
      <form onSubmit={submit} className="grid gap-4">
        <label className="grid gap-1 font-bold">
          {t("name")}
          <input
            required
            autoFocus
            maxLength={40}
            autoComplete="given-name"
            value={name}
            onChange={(event) => setName(event.target.value)}
            className="min-h-14 rounded-card border-2 border-line-strong bg-card px-4 font-normal"
          />
        </label>
        {problem && (
          <p role="alert" className="rounded-card bg-clay-wash px-4 py-3 font-bold text-clay">
            {problem}
          </p>
        )}
        <button
          type="submit"
          disabled={busy || !name.trim()}
          className="min-h-14 rounded-card bg-green px-6 text-lg font-bold text-on-green disabled:opacity-50"
        >
          {t("comeIn")}
        </button>
      </form>
      <p className="text-ink-soft">{t("text")}</p>
    </main>
  );
}
