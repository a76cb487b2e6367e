"use client";
import { Send } from "lucide-react";
import { useState, type FormEvent } from "react";
import { useTranslations } from "use-intl";
import type { StepNote } from "@/data/live/step-notes";

/** What a child and the teacher have written each other about this step; there once somebody has, or the child is stuck. */
export function StepNotes({
  notes,
  open,
  send,
}: {
  notes: readonly StepNote[];
  /** The child asks for help: it may say with what. */
  open: boolean;
  /** Undefined: nothing more is written. */
  send: ((text: string) => Promise<boolean>) | undefined;
}) {
  const t = useTranslations("note");
  const [text, setText] = useState("");
  const [failed, setFailed] = useState(false);
  if (notes.length === 0 && !(open && send)) return null;
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (!text.trim() || !send) return;
    const sent = await send(text.trim());
    setFailed(!sent);
    if (sent) setText("");
  };
  return (
    <section
      aria-labelledby="step-notes"
      className="mt-4 grid grid-cols-1 gap-2 rounded-card border border-line bg-card p-4"
    >
      <h2 id="step-notes" className="font-bold">
        {t("notes")}
      </h2>
      <ul aria-live="polite" className="grid gap-1.5">
        {notes.map((note) => (
          <li key={note.id} className={note.mine ? "" : "rounded-card bg-slate-wash px-3 py-1"}>
            <span className="font-bold">{note.mine ? t("you") : note.by}: </span>
            <span className="whitespace-pre-line">{note.text}</span>
          </li>
        ))}
      </ul>
      {send && (
        <form onSubmit={(event) => void submit(event)} className="flex gap-2">
          <input
            aria-label={t("writeNote")}
            placeholder={t("writeNote")}
            maxLength={400}
            value={text}
            onChange={(event) => setText(event.target.value)}
            className="min-h-12 min-w-0 flex-1 rounded-card border-2 border-line-strong bg-card px-3"
          />
          <SendButton disabled={!text.trim()} />
        </form>
      )}
      {failed && (
        <p role="alert" className="font-bold text-clay">
          {t("noteNotSent")}
        </p>
      )}
    </section>
  );
}

function SendButton({ disabled }: { disabled: boolean }) {
  const t = useTranslations("lesson");
  return (
    <button
      type="submit"
      disabled={disabled}
      className="inline-flex min-h-12 items-center gap-2 rounded-card border-2 border-green px-4 font-bold text-green disabled:opacity-50"
    >
      <Send size={18} aria-hidden /> {t("send")}
    </button>
  );
}
