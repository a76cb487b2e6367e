"use client";
import { clsx } from "clsx";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import type { QueuePart } from "@/data/review/queue";
import { decide, decideAboutReply, takeBack } from "@/screens/acts/review";
import type { QueueItem, ReviewQueue } from "@/server/review/review-queue";
import { Empty } from "@/ui/empty";
import { useKeys } from "@/ui/keys";
import { tell, tellProblem } from "@/ui/toast";
import { useAddress } from "../use-address";
import { useDrafts } from "./drafts";
import { kindOfItem, type ItemKind } from "./item-kinds";
import { LookedAtPiece } from "./looked-at-piece";
import { withPhrase } from "./phrases";
import { QueueList } from "./queue-list";
import { SayPanel } from "./say-panel";

const parts: { value: QueuePart; text: string }[] = [
  { value: "waiting", text: "waiting" },
  { value: "sent back", text: "sent back" },
  { value: "shown", text: "good" },
];

const nothing: Record<QueuePart, { title: string; text: string }> = {
  waiting: {
    title: "Nothing waits for you",
    text: "When you assign work, choose “I look at it first” under “How often …”. What children send you then shows up here.",
  },
  "sent back": {
    title: "Nothing is being corrected",
    text: "What you send back is listed here until the child sends it again.",
  },
  shown: {
    title: "Nothing approved yet",
    text: "What you approve is listed here, with work you did not ask to see first.",
  },
};

/** Work that is held back until she has looked: the list, the piece, and what she says to it. */
export function QueueScreen({ queue, zone, now }: { queue: ReviewQueue; zone: string; now: Date }) {
  const router = useRouter();
  const { go } = useAddress();
  const drafts = useDrafts();
  /** Decided here already, while the list is on its way. */
  const [gone, setGone] = useState<ReadonlySet<string>>(new Set());
  const [kind, setKind] = useState<ItemKind | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  const [drawing, setDrawing] = useState(false);
  const [beside, setBeside] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const comment = useRef<HTMLTextAreaElement>(null);
  const reading = useRef<ReturnType<typeof setTimeout>>(undefined);
  const nameOf = (item: QueueItem) => `${item.key} ${item.number} ${item.decided?.getTime() ?? ""}`;
  const there = queue.items.filter((item) => !gone.has(nameOf(item)));
  const items = kind ? there.filter((item) => kindOfItem(item) === kind) : there;
  const at = Math.max(
    0,
    items.findIndex(({ key }) => key === chosen),
  );
  const item = items[at];
  const draft = item && drafts.of(item);

  const choose = (next: QueueItem | undefined) => {
    setChosen(next?.key ?? null);
    setProblem(null);
    setDrawing(false);
  };
  /** The list is read again when she pauses: not between one key and the next. */
  const readLater = () => {
    clearTimeout(reading.current);
    reading.current = setTimeout(() => router.refresh(), 1_200);
  };
  const leave = (name: string) => setGone((old) => new Set(old).add(name));
  const back = (name: string) => setGone((old) => new Set([...old].filter((one) => one !== name)));

  const decideOn = async (state: "approved" | "sent back") => {
    if (!item || !draft) return;
    const name = nameOf(item);
    const { assignment, id } = item;
    if (
      item.kind === "piece" &&
      state === "sent back" &&
      !draft.comment.trim() &&
      !draft.voice &&
      draft.marks.length === 0
    ) {
      setProblem("Say what to look at again, or mark it, before you send it back.");
      comment.current?.focus();
      return;
    }
    leave(name);
    choose(items[at + 1] ?? items[at - 1]);
    const said = state === "approved" ? "Approved" : item.kind === "reply" ? "Taken down" : "Sent back";
    const undone = (outcome: { ok: true } | { ok: false; problem: string }) => {
      if (!outcome.ok) return tellProblem(outcome.problem);
      back(name);
      router.refresh();
    };
    if (item.kind === "reply") {
      const was = item.state as "waiting" | "shown" | "taken down";
      const next = state === "approved" ? ("shown" as const) : ("taken down" as const);
      const outcome = await decideAboutReply({ assignment, reply: id, state: next });
      if (!outcome.ok) {
        back(name);
        return tellProblem(outcome.problem);
      }
      tell(`${said}: ${item.name}.`, () => void decideAboutReply({ assignment, reply: id, state: was }).then(undone));
      return readLater();
    }
    const outcome = await decide({
      ...{ assignment, piece: id, state, ...draft },
      was: { state: item.state as "waiting", decided: item.decided },
    });
    if (!outcome.ok) {
      back(name);
      return tellProblem(outcome.problem);
    }
    const { decided } = outcome.value;
    tell(`${said}: ${item.name}.`, () => void takeBack({ assignment, piece: id, decided }).then(undone));
    drafts.drop(item);
    readLater();
  };

  const phrase = (nth: number) => {
    const text = queue.phrases[nth];
    if (!item || !draft || !text || item.kind === "reply") return;
    drafts.change(item, { comment: withPhrase(draft.comment, text) });
    setProblem(null);
  };
  const step = (by: number) => () => (items[at + by] ? choose(items[at + by]) : undefined);
  useKeys({
    j: step(1),
    ArrowDown: step(1),
    k: step(-1),
    ArrowUp: step(-1),
    a: () => void decideOn("approved"),
    b: () => void decideOn("sent back"),
    c: () => comment.current?.focus(),
    p: () => setDrawing(!drawing),
    v: () => setBeside(!beside),
    ...Object.fromEntries(queue.phrases.map((_, nth) => [String(nth + 1), () => phrase(nth)])),
  });

  return (
    <div className="flex h-full flex-col">
      <header className="flex flex-wrap items-center gap-x-5 gap-y-2 border-b border-line px-5 py-2.5">
        <h1 className="font-serif text-[21px]">Work held back until I have looked</h1>
        <nav aria-label="Which" className="inline-flex overflow-hidden rounded-card border border-line bg-card">
          {parts.map(({ value, text }) => (
            <button
              key={value}
              type="button"
              aria-current={value === queue.part ? "page" : undefined}
              onClick={() => go({ part: value === "waiting" ? null : value }, "push")}
              className={clsx("h-8 px-3", value === queue.part ? "bg-ink font-semibold text-paper" : "hover:bg-shade")}
            >
              {text}{" "}
              <span className="numbers">
                {queue.counts[value] - (value === queue.part ? queue.items.length - there.length : 0)}
              </span>
            </button>
          ))}
        </nav>
      </header>
      {!item || !draft ? (
        kind ? (
          <Empty title="None of these are left">
            <button type="button" className="underline" onClick={() => setKind(null)}>
              Show all kinds
            </button>
          </Empty>
        ) : (
          <Empty title={nothing[queue.part].title}>
            <p>{nothing[queue.part].text}</p>
          </Empty>
        )
      ) : (
        <div className="grid min-h-0 flex-1 grid-cols-[270px_minmax(0,1fr)_360px] max-lg:grid-cols-1 max-lg:overflow-auto">
          <QueueList
            {...{ all: there, items, chosen: item.key, kind, zone, now }}
            onKind={(next) => {
              setKind(next);
              setChosen(null);
            }}
            onChoose={choose}
          />
          <LookedAtPiece
            key={nameOf(item)}
            {...{ item, draft, drawing, beside, zone, now }}
            onBeside={() => setBeside(!beside)}
            onDrawing={() => setDrawing(!drawing)}
            onMarks={(marks) => drafts.change(item, { marks })}
          />
          <SayPanel
            key={`say ${nameOf(item)}`}
            {...{ item, draft, problem, comment, now, zone }}
            phrases={queue.phrases}
            place={`${at + 1} of ${items.length}`}
            onPhrase={phrase}
            onChange={(more) => {
              drafts.change(item, more);
              setProblem(null);
            }}
            onDecide={(state) => void decideOn(state)}
          />
        </div>
      )}
    </div>
  );
}
