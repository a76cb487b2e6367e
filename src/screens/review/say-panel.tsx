"use client";
import { clsx } from "clsx";
import { Check, Eye, EyeOff, Undo2, X } from "lucide-react";
import { useRouter } from "next/navigation";
import { useState, type MouseEvent, type RefObject } from "react";
import { formatMoment } from "@/core/calendar/format-moment";
import { keepPhrases } from "@/screens/acts/review";
import type { QueueItem } from "@/server/review/review-queue";
import { Button } from "@/ui/button";
import { Key } from "@/ui/key";
import { Segmented } from "@/ui/segmented";
import { tell, tellProblem } from "@/ui/toast";
import { VoiceRecorder } from "../media/voice-recorder";
import type { Draft } from "./drafts";

const LONGEST_VOICE_SECONDS = 120;
const MOST_PHRASES = 9;

/** What the teacher often says; a press puts it in or takes it out. */
function Phrases({
  phrases,
  comment,
  onPhrase,
}: {
  phrases: readonly string[];
  comment: string;
  onPhrase: (nth: number) => void;
}) {
  const router = useRouter();
  const [changing, setChanging] = useState(false);
  const keep = async (next: string[], undo?: string[]) => {
    const outcome = await keepPhrases({ phrases: next });
    if (!outcome.ok) return tellProblem(outcome.problem);
    if (undo) tell("Changed your phrases.", () => void keep(undo));
    router.refresh();
  };
  const own = comment.trim();
  return (
    <div>
      <ul className="flex flex-wrap gap-1.5">
        {phrases.map((text, nth) => {
          const on = comment.includes(text);
          return (
            <li key={text} className="max-w-full">
              <button
                type="button"
                aria-pressed={changing ? undefined : on}
                aria-label={changing ? `Remove “${text}”` : undefined}
                onClick={() =>
                  changing
                    ? void keep(
                        phrases.filter((one) => one !== text),
                        [...phrases],
                      )
                    : onPhrase(nth)
                }
                className={clsx(
                  "inline-flex max-w-full items-center gap-1.5 rounded-card border px-2 py-1 text-left text-[13px]",
                  on && !changing ? "border-2 border-ink font-semibold" : "border-line bg-card hover:bg-shade",
                )}
              >
                {changing ? (
                  <X size={13} aria-hidden />
                ) : on ? (
                  <Check size={13} aria-hidden />
                ) : (
                  <Key>{String(nth + 1)}</Key>
                )}
                <span className="truncate">{text}</span>
              </button>
            </li>
          );
        })}
      </ul>
      <p className="mt-1.5 flex justify-between text-[13px] text-green">
        <button type="button" className="underline" onClick={() => setChanging(!changing)}>
          {changing ? "Done" : "Remove phrases"}
        </button>
        {own && !phrases.includes(own) && phrases.length < MOST_PHRASES && own.length <= 200 && (
          <button type="button" className="underline" onClick={() => void keep([...phrases, own], [...phrases])}>
            Keep this as a phrase
          </button>
        )}
      </p>
    </div>
  );
}

/** Who will see it, in words. */
function WhoSees({
  item,
  draft,
  zone,
  now,
  onChange,
}: {
  item: QueueItem;
  draft: Draft;
  zone: string;
  now: Date;
  onChange: (more: Partial<Draft>) => void;
}) {
  const { sharing } = item;
  const shown = sharing && sharing.classmates !== "never";
  const given = item.name.split(" ")[0]!;
  return (
    <section aria-label="What the class will see" className="grid gap-2 border-t border-line pt-3 text-[14px]">
      <div className="flex items-center justify-between gap-2">
        <h2 className="font-serif text-[17px]">What the class will see</h2>
        {shown && item.kind === "piece" && (
          <Segmented
            label="Whose it is"
            value={draft.named ? "named" : "unnamed"}
            onChange={(value) => onChange({ named: value === "named" })}
            options={[
              { value: "named", text: given },
              { value: "unnamed", text: "no name" },
            ]}
          />
        )}
      </div>
      {shown ? (
        <>
          <p className="flex gap-2">
            <Eye size={16} aria-hidden className="mt-0.5 shrink-0" />
            {item.kind === "reply" ? "The reply." : "This piece, once you approve it."}{" "}
            {sharing.classmates === "own first" ? "Classmates see it after sending their own." : ""}
            {sharing.until ? ` Until ${formatMoment(new Date(sharing.until), zone, now)}.` : ""}
          </p>
          <p className="flex gap-2">
            <EyeOff size={16} aria-hidden className="mt-0.5 shrink-0" /> Never your words, your marks, or what was sent
            back.
          </p>
        </>
      ) : (
        <p className="flex gap-2">
          <EyeOff size={16} aria-hidden className="mt-0.5 shrink-0" /> Nothing. Only {given} sees this and what you say.
        </p>
      )}
    </section>
  );
}

/** What she says to a piece, and the decision. */
export function SayPanel({
  item,
  draft,
  phrases,
  problem,
  comment,
  place,
  zone,
  now,
  onPhrase,
  onChange,
  onDecide,
}: {
  item: QueueItem;
  draft: Draft;
  phrases: readonly string[];
  problem: string | null;
  comment: RefObject<HTMLTextAreaElement | null>;
  /** "7 of 14" */
  place: string;
  zone: string;
  now: Date;
  onPhrase: (nth: number) => void;
  onChange: (more: Partial<Draft>) => void;
  onDecide: (state: "approved" | "sent back") => void;
}) {
  const reply = item.kind === "reply";
  const given = item.name.split(" ")[0]!;
  // The second press of a double press would fall on the next piece.
  const onceEach = (state: "approved" | "sent back") => (event: MouseEvent) => {
    if (event.detail <= 1) onDecide(state);
  };
  const good = item.state === "approved" || item.state === "not looked at" || item.state === "shown";
  return (
    <section
      aria-label={`What I say to ${given}`}
      className="flex min-h-0 flex-col border-l border-line max-lg:border-l-0"
    >
      <div className="grid min-h-0 flex-1 auto-rows-min gap-3 overflow-auto p-4">
        {!reply && (
          <>
            <h2 className="font-serif text-[19px]">What I say to {given}</h2>
            <Phrases phrases={phrases} comment={draft.comment} onPhrase={onPhrase} />
            <textarea
              ref={comment}
              aria-label={`What I say to ${given}`}
              aria-keyshortcuts="c"
              maxLength={1000}
              rows={4}
              value={draft.comment}
              onChange={(event) => onChange({ comment: event.target.value })}
              onKeyDown={(event) => event.key === "Escape" && event.currentTarget.blur()}
              className="w-full rounded-card border border-line-strong bg-card px-3 py-2 font-child text-[16px]"
            />
            <VoiceRecorder
              value={draft.voice}
              name="My voice"
              longest={LONGEST_VOICE_SECONDS}
              onVoice={(voice) => onChange({ voice })}
            />
            {draft.marks.length > 0 && (
              <p className="text-[13px] text-ink-soft">
                {draft.marks.length === 1 ? "One line" : `${draft.marks.length} lines`} on the work will be sent too.
              </p>
            )}
          </>
        )}
        <WhoSees {...{ item, draft, zone, now, onChange }} />
        {problem && (
          <p role="alert" className="rounded-card bg-clay-wash px-3 py-2 font-semibold text-clay">
            {problem}
          </p>
        )}
      </div>
      <div className="grid grid-cols-2 gap-2 border-t border-line p-4">
        {!(good && reply) && (
          <Button look="main" onClick={onceEach("approved")} aria-keyshortcuts="a">
            <Check size={16} aria-hidden />{" "}
            {item.sharing && item.sharing.classmates !== "never" ? "Approve and show" : "Approve"} <Key>a</Key>
          </Button>
        )}
        <Button onClick={onceEach("sent back")} aria-keyshortcuts="b">
          <Undo2 size={16} aria-hidden /> {reply ? "Take down" : "Send back"} <Key>b</Key>
        </Button>
        <p className="numbers col-span-2 text-[13px] text-ink-soft">
          {place} · <Key>u</Key> takes the last one back
        </p>
      </div>
    </section>
  );
}
