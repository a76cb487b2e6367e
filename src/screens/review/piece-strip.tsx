"use client";
import { CheckCircle2, Eye, Hourglass, Undo2 } from "lucide-react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { useTranslations } from "use-intl";
import { canonical } from "@/core/resource/changes";
import { isBlankResponse } from "@/core/question/mark";
import type { Question, ResponseValue } from "@/core/question/question";
import { sendPieceOf } from "@/screens/acts/pieces";
import type { OwnReview } from "@/server/review/own-review";
import { useProblem } from "../language/use-problem";
import { SoundPlayer } from "../media/sound-player";
import { Classmates } from "./classmates";
import { MarkedAnswer } from "./marked-answer";

/** Below a question whose answer is looked at or shown: send it, how it stands, what the teacher says, what the others made. */
export function PieceStrip({
  assignment,
  teacher,
  question,
  value,
  languages,
  review,
  mayChange,
  flush,
}: {
  assignment: number;
  teacher: string;
  question: Question;
  value: ResponseValue | undefined;
  languages: readonly string[];
  review: OwnReview;
  /** Whether the answer can be changed now. */
  mayChange: boolean;
  /** Sends what was typed; true when all of it is kept. */
  flush: () => Promise<boolean>;
}) {
  const t = useTranslations("piece");
  const problemText = useProblem();
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const sent = review.pieces[question.id] ?? [];
  const last = sent.at(-1);
  const { look, classmates } = review.sharing;
  const changed = last !== undefined && canonical(last.value) !== canonical(value);
  const send = async () => {
    setBusy(true);
    const kept = await flush();
    const outcome = kept ? await sendPieceOf({ assignment, question: question.id }) : null;
    setBusy(false);
    if (!outcome) return setProblem(t("failed"));
    setProblem(outcome.ok ? null : problemText(outcome));
    if (outcome.ok) router.refresh();
  };
  const state = !last
    ? null
    : last.state === "waiting"
      ? { icon: Hourglass, text: t("waits", { teacher }), look: "text-slate" }
      : last.state === "sent back"
        ? { icon: Undo2, text: t("sentBack", { teacher }), look: "text-clay" }
        : last.state === "approved"
          ? { icon: CheckCircle2, text: t("approved", { teacher }), look: "text-green" }
          : null;
  const shown = last && (last.state === "approved" || last.state === "not looked at") && review.shows;
  const maySend = mayChange && !isBlankResponse(question.type, value) && (!last || changed);
  return (
    <div className="grid grid-cols-1 gap-3 border-t border-line pt-3">
      {state && (
        <p role="status" className={`flex items-center gap-2 font-bold ${state.look}`}>
          <state.icon size={20} aria-hidden className="shrink-0" /> {state.text}
        </p>
      )}
      {shown && (
        <p className="flex items-center gap-2 text-ink-soft">
          <Eye size={18} aria-hidden className="shrink-0" /> {t("shown")}
        </p>
      )}
      {sent
        .filter((piece) => piece.comment || piece.voice || piece.marks.length > 0)
        .slice(-2)
        .map((piece) => (
          <div key={piece.number} className="grid grid-cols-1 gap-2 rounded-card bg-slate-wash px-4 py-3">
            {(piece.comment || piece.voice) && <h3 className="font-bold">{t("says", { teacher })}</h3>}
            {piece.comment && <p className="whitespace-pre-line [overflow-wrap:anywhere]">{piece.comment}</p>}
            {piece.voice && (
              <SoundPlayer
                media={piece.voice.media}
                seconds={piece.voice.seconds}
                name={t("spoken", { teacher })}
                large
              />
            )}
            {piece.marks.length > 0 && (
              <div className="overflow-hidden rounded-card bg-card p-3">
                <MarkedAnswer
                  question={question}
                  value={piece.value}
                  languages={languages}
                  name={t("asSent")}
                  marks={piece.marks}
                />
              </div>
            )}
          </div>
        ))}
      {maySend && (
        <button
          type="button"
          disabled={busy}
          onClick={() => void send()}
          className="inline-flex min-h-12 items-center gap-2 justify-self-start rounded-card border-2 border-green px-5 font-bold text-green disabled:opacity-50"
        >
          <Eye size={18} aria-hidden />{" "}
          {last ? t("again") : look === "nothing" ? t("showClass") : t("show", { teacher })}
        </button>
      )}
      {problem && (
        <p role="alert" className="font-bold text-clay">
          {problem}
        </p>
      )}
      {classmates !== "never" && review.shows && (
        <Classmates assignment={assignment} question={question} languages={languages} sent={sent.length} />
      )}
    </div>
  );
}
