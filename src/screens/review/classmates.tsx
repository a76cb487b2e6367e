"use client";
import { Eye, Send, Users } from "lucide-react";
import { useEffect, useState, type FormEvent } from "react";
import { useTranslations } from "use-intl";
import type { Question } from "@/core/question/question";
import { replyToPiece } from "@/screens/acts/pieces";
import type { Classmates as Found, ShownPiece } from "@/server/review/own-review";
import { useProblem } from "../language/use-problem";
import { SoundPlayer } from "../media/sound-player";
import { useOnce } from "../use-once";
import { useWorkPlace } from "../media/work-place";
import { VoiceRecorder, type Voice } from "../media/voice-recorder";
import { MarkedAnswer } from "./marked-answer";
import { useClassmates } from "./use-classmates";

const LONGEST_REPLY_SECONDS = 60;

function Replies({ replies }: { replies: ShownPiece["replies"] }) {
  const t = useTranslations("piece");
  if (replies.length === 0) return null;
  return (
    <ul className="grid gap-1.5 border-l-2 border-line pl-3">
      {replies.map((reply) => (
        <li key={reply.id}>
          <span className="font-bold">{reply.mine ? t("you") : reply.name}: </span>
          <span className="whitespace-pre-line">{reply.text}</span>
          {reply.voice && (
            <SoundPlayer media={reply.voice.media} seconds={reply.voice.seconds} name={reply.name} large />
          )}
          {reply.waits && <span className="block text-[0.88em] text-ink-soft">{t("replyWaits")}</span>}
        </li>
      ))}
    </ul>
  );
}

function ReplyForm({
  assignment,
  question,
  piece,
  allowed,
  onSent,
}: {
  assignment: number;
  question: string;
  piece: ShownPiece;
  allowed: Found["replies"];
  onSent: () => void;
}) {
  const { kept } = useWorkPlace();
  const t = useTranslations("piece");
  const problemText = useProblem();
  const [text, setText] = useState("");
  const [busy, once] = useOnce();
  const [problem, setProblem] = useState<string | null>(null);
  const name = piece.name ?? t("classmate");
  const send = (voice: Voice | null) =>
    once(async () => {
      const outcome = await replyToPiece({ assignment, question, piece: piece.id, text: voice ? "" : text, voice });
      if (!outcome.ok) return setProblem(problemText(outcome));
      setProblem(null);
      if (!voice) setText("");
      onSent();
    });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (text.trim()) send(null);
  };
  return (
    <div className="grid grid-cols-1 gap-2">
      <form onSubmit={submit} className="flex min-w-0 gap-2">
        <input
          aria-label={t("writeReply", { name })}
          placeholder={t("writeReply", { name })}
          maxLength={400}
          value={text}
          onChange={(event) => setText(event.target.value)}
          className="min-h-12 min-w-0 flex-1 rounded-card border-2 border-line-strong bg-card px-3"
        />
        <button
          type="submit"
          disabled={busy || !text.trim()}
          className="inline-flex min-h-12 items-center gap-2 rounded-card border-2 border-green px-4 font-bold text-green disabled:opacity-50"
        >
          <Send size={18} aria-hidden /> <span className="max-[30rem]:sr-only">{t("send")}</span>
        </button>
      </form>
      {allowed.voice && kept.voice && (
        <VoiceRecorder
          value={null}
          name={t("sayReply", { name })}
          longest={LONGEST_REPLY_SECONDS}
          sendTo={`/student/${assignment}/file`}
          large
          onVoice={(voice) => voice && send(voice)}
        />
      )}
      {problem && (
        <p role="alert" className="font-bold text-clay">
          {problem}
        </p>
      )}
    </div>
  );
}

/** What the others made of a question, once they may be seen; opened by a press, read anew each time. */
export function Classmates({
  assignment,
  question,
  languages,
  sent,
}: {
  assignment: number;
  question: Question;
  languages: readonly string[];
  /** How often she has sent her own: the others may be open to her now. */
  sent: number;
}) {
  const t = useTranslations("piece");
  const [open, setOpen] = useState(false);
  const { found, failed, read } = useClassmates(assignment, question.id);
  useEffect(() => {
    if (open) void read();
  }, [open, sent, read]);
  return (
    <section aria-label={t("othersTitle")} className="grid grid-cols-1 gap-3">
      <button
        type="button"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        className="inline-flex min-h-12 items-center gap-2 justify-self-start rounded-card border-2 border-line px-4 font-bold"
      >
        <Users size={18} aria-hidden /> {open ? t("hide") : t("others")}
      </button>
      {open && failed && <p role="alert">{t("notRead")}</p>}
      {open && found && (
        <div className="grid grid-cols-1 gap-4" aria-live="polite">
          {!found.open ? (
            <p className="flex items-center gap-2">
              <Eye size={18} aria-hidden className="shrink-0" /> {t("ownFirst")}
            </p>
          ) : (
            found.pieces.length === 0 && <p>{t("none")}</p>
          )}
          {found.toMine.length > 0 && (
            <div className="grid gap-2 rounded-card bg-green-wash px-4 py-3">
              <h3 className="font-bold">{t("toMine")}</h3>
              <Replies replies={found.toMine} />
            </div>
          )}
          {found.pieces.map((piece) => {
            const name = piece.name ?? t("classmate");
            return (
              <article
                key={piece.id}
                aria-label={name}
                className="grid grid-cols-1 gap-3 rounded-card border border-line p-4"
              >
                <h3 className="font-bold">{name}</h3>
                <MarkedAnswer
                  question={question}
                  value={piece.value}
                  languages={languages}
                  name={t("made", { name })}
                  marks={[]}
                />
                <Replies replies={piece.replies} />
                {found.replies.words && (
                  <ReplyForm
                    assignment={assignment}
                    question={question.id}
                    piece={piece}
                    allowed={found.replies}
                    onSent={() => void read()}
                  />
                )}
              </article>
            );
          })}
        </div>
      )}
    </section>
  );
}
