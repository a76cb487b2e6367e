"use client";
import { Check, Eye, EyeOff, Undo2 } from "lucide-react";
import type { MouseEvent, RefObject } from "react";
import { formatMoment } from "@/core/calendar/format-moment";
import type { QueueItem } from "@/server/review/review-queue";
import { Button } from "@/ui/button";
import { Key } from "@/ui/key";
import { Segmented } from "@/ui/segmented";
import { VoiceRecorder } from "../media/voice-recorder";
import type { Draft } from "./drafts";
import { Phrases } from "./phrases";

const LONGEST_VOICE_SECONDS = 120;

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
  const firstName = item.name.split(" ")[0]!;
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
              { value: "named", text: firstName },
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
          <EyeOff size={16} aria-hidden className="mt-0.5 shrink-0" /> Nothing. Only {firstName} sees this and what you
          say.
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
  const firstName = item.name.split(" ")[0]!;
  // The second press of a double press would fall on the next piece.
  const onceEach = (state: "approved" | "sent back") => (event: MouseEvent) => {
    if (event.detail <= 1) onDecide(state);
  };
  const good = item.state === "approved" || item.state === "not looked at" || item.state === "shown";
  return (
    <section
      aria-label={`What I say to ${firstName}`}
      className="flex min-h-0 flex-col border-l border-line max-lg:border-l-0"
    >
      <div className="grid min-h-0 flex-1 auto-rows-min gap-3 overflow-auto p-4">
        {!reply && (
          <>
            <h2 className="font-serif text-[19px]">What I say to {firstName}</h2>
            <Phrases phrases={phrases} comment={draft.comment} onPhrase={onPhrase} />
            <textarea
              ref={comment}
              aria-label={`What I say to ${firstName}`}
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
