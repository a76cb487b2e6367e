"use client";
import { useState, type FormEvent } from "react";
import { useTranslations } from "use-intl";
import type { QuickQuestion } from "@/core/live/lesson";
import type { ResponseOf } from "@/core/question/question";
import { SketchView } from "../step/questions/sketch";
import { sheetFor } from "./sheet-for";

/** What a student says to a question asked on the spot, sent as soon as it is chosen or with Send. */
export function QuickCard({ quick, send }: { quick: QuickQuestion; send: (value: unknown) => Promise<boolean> }) {
  const t = useTranslations("lesson");
  const [chosen, setChosen] = useState<number | null>(null);
  const [text, setText] = useState("");
  const [lines, setLines] = useState<ResponseOf<"sketch">>([]);
  const [state, setState] = useState<"open" | "sent" | "not sent">("open");
  const give = async (value: unknown) => setState((await send(value)) ? "sent" : "not sent");
  const submit = (event: FormEvent) => {
    event.preventDefault();
    void give(quick.kind === "draw" ? lines : text);
  };
  return (
    <section aria-labelledby="quick" className="mb-4 grid gap-3 rounded-card border-2 border-green bg-green-wash p-5">
      <p className="text-[0.88em] text-ink-soft">{t("quick")}</p>
      <h2 id="quick" className="text-[1.25em] font-bold">
        {quick.ask}
      </h2>
      {quick.kind === "choose" ? (
        <div role="group" aria-labelledby="quick" className="grid gap-2 sm:grid-cols-2">
          {quick.options.map((option, at) => (
            <button
              key={option}
              type="button"
              aria-pressed={chosen === at}
              onClick={() => {
                setChosen(at);
                void give(at);
              }}
              className={`min-h-14 rounded-card border-2 bg-card px-4 text-left font-bold ${chosen === at ? "border-green outline-2 outline-green" : "border-line-strong"}`}
            >
              {option}
            </button>
          ))}
        </div>
      ) : (
        <form onSubmit={submit} className="grid gap-3">
          {quick.kind === "draw" ? (
            <SketchView
              question={sheetFor(quick)}
              value={lines}
              onChange={setLines}
              readOnly={false}
              languages={[]}
              parts={{}}
              labelledBy="quick"
            />
          ) : (
            <input
              aria-label={t("yourAnswer")}
              inputMode={quick.kind === "number" ? "decimal" : "text"}
              maxLength={quick.kind === "number" ? 20 : 400}
              value={text}
              onChange={(event) => setText(event.target.value)}
              className="min-h-12 rounded-card border-2 border-line-strong bg-card px-4"
            />
          )}
          <button
            type="submit"
            disabled={quick.kind === "draw" ? lines.length === 0 : text.trim() === ""}
            className="min-h-12 justify-self-start rounded-card bg-green px-6 font-bold text-on-green disabled:opacity-50"
          >
            {t("send")}
          </button>
        </form>
      )}
      <p role="status" className={state === "not sent" ? "font-bold text-clay" : "text-ink-soft"}>
        {state === "sent" ? t("sent") : state === "not sent" ? t("notSent") : ""}
      </p>
    </section>
  );
}
