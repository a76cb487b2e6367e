"use client";
import { clsx } from "clsx";
import { CircleCheck, Inbox, Lock, Share2, Users } from "lucide-react";
import { Link } from "@/ui/link";
import { useEffect, useState, type FormEvent } from "react";
import { gradeName } from "@/core/content/grade";
import { atShelf, formatGrades, shelfNames } from "@/core/find/format";
import type { Subject } from "@/core/resource/document";
import { subjects } from "@/core/content/vocabulary";
import { sharedShelves, type SharedShelf, type ShelfAnswer } from "@/core/sharing/how-far";
import { readShare, type ShareForm } from "@/core/sharing/sentence";
import { formatList } from "@/core/format-list";
import { lookAtSharing, shareResources, takeFromShelf, takeOutPart } from "@/screens/acts/share";
import type { Sharing } from "@/server/share/share";
import { Button, buttonClasses } from "@/ui/button";
import { TextInput } from "@/ui/field";
import { Key } from "@/ui/key";
import { Notice } from "@/ui/notice";
import { Segmented } from "@/ui/segmented";
import { tellProblem } from "@/ui/toast";
import { Word } from "@/ui/word";
import { useDone } from "../use-done";
import { useOnce } from "../use-once";
import { LinkShare } from "./link-share";
import { PeopleShare } from "./people-share";

const names: Record<SharedShelf, string> = {
  staffroom: "The staffroom",
  district: "The district shelf",
  commons: "The commons",
};
const stateNames: Record<ShelfAnswer["state"], string> = {
  open: "open",
  offer: "you can offer it",
  waiting: "offered, no decision yet",
  on: "it is here",
  closed: "not yet",
};

/** "14 colleagues of Lighthouse Road Primary can find, use and adapt it." */
function formatReaders({ readers, school }: Sharing, shelf: SharedShelf): string {
  const who = (count: number, one: string, many: string) => `${count} ${count === 1 ? one : many}`;
  switch (shelf) {
    case "staffroom":
      return `${who(readers.staffroom, "colleague", "colleagues")} of ${school ?? "your school"} can find, use and adapt it.`;
    case "district":
      return `${who(readers.district, "teacher", "teachers")} of the district can find, use and adapt it.`;
    case "commons":
      return "Every teacher everywhere can find it, and use it as its licence allows.";
  }
}

/** "Packed 3 times, adapted once, assigned to 2 classes." */
function formatUses(things: Sharing["things"]): string {
  const sum = (of: "packed" | "adapted" | "assigned") => things.reduce((all, thing) => all + thing.uses[of], 0);
  const times = (count: number) => (count === 1 ? "once" : `${count} times`);
  const said = [
    ...(sum("packed") > 0 ? [`packed ${times(sum("packed"))}`] : []),
    ...(sum("adapted") > 0 ? [`adapted ${times(sum("adapted"))}`] : []),
    ...(sum("assigned") > 0 ? [`assigned to ${sum("assigned")} ${sum("assigned") === 1 ? "class" : "classes"}`] : []),
  ];
  return said.length === 0 ? "Nobody else has used it yet." : `By others: ${formatList(said)}.`;
}

function ShelfRow({
  answer,
  chosen,
  editor,
  onChoose,
  onTakeOff,
  onTakeOut,
  busy,
}: {
  answer: ShelfAnswer;
  chosen: boolean;
  /** Where to fix what must be fixed; null: several things are shared. */
  editor: number | null;
  onChoose: () => void;
  onTakeOff: () => void;
  /** Takes a part out that keeps it from going there. */
  onTakeOut: ((step: string, block: string | null) => void) | null;
  busy: boolean;
}) {
  const { shelf, state, reasons } = answer;
  const Sign = state === "closed" ? Lock : state === "offer" || state === "waiting" ? Inbox : CircleCheck;
  return (
    <li className="grid grid-cols-[24px_9rem_minmax(0,1fr)] gap-x-2 border-t border-line py-3 max-md:grid-cols-[24px_1fr]">
      <Sign
        size={18}
        aria-hidden
        className={state === "closed" ? "text-clay" : state === "open" || state === "on" ? "text-green" : "text-slate"}
      />
      <div>
        <button
          type="button"
          onClick={onChoose}
          aria-pressed={chosen}
          className="text-left font-semibold hover:underline"
        >
          {names[shelf]}
        </button>
        <p
          className={clsx(
            "text-[13px]",
            state === "closed" ? "text-clay" : state === "open" || state === "on" ? "text-green" : "text-slate",
          )}
        >
          {stateNames[state]}
          {chosen && " · chosen"}
        </p>
      </div>
      <div className="grid justify-items-start gap-1.5 max-md:col-start-2">
        {state === "open" && <p>It is there straight away. Take it off whenever you like.</p>}
        {state === "on" && chosen && <p>Share it again to change its grades or subjects.</p>}
        {state === "waiting" && <p>It is on the curators’ desk. You get a message when they decide.</p>}
        {reasons.slice(0, 6).map(({ text, step, block, removable }) => (
          <p key={text}>
            {text}{" "}
            {step && removable && onTakeOut && (
              <button
                type="button"
                disabled={busy}
                onClick={() => onTakeOut(step, block ?? null)}
                className="mr-2 text-green underline"
              >
                Take it out
              </button>
            )}
            {step && editor !== null && (
              <Link href={`/adapt/${editor}?step=${step}`} className="text-green underline">
                Go there
              </Link>
            )}
          </p>
        ))}
        {reasons.length > 6 && <p className="text-ink-soft">And {reasons.length - 6} more.</p>}
        {(state === "on" || state === "waiting") && (
          <Button size="small" onClick={onTakeOff} disabled={busy}>
            {state === "on" ? "Take it off" : "Take the offer back"}
          </Button>
        )}
      </div>
    </li>
  );
}

/** Shares her things: on a shelf, with named colleagues, or by a link. `name`: what several of them are called together. */
export function SharePanel({
  resources,
  name = resources.length === 1 ? resources[0]!.title : `${resources.length} things`,
  onDone,
}: {
  resources: readonly { id: number; title: string }[];
  name?: string;
  onDone: () => void;
}) {
  const [way, setWay] = useState<"shelves" | "people" | "link">("shelves");
  return (
    <div className="flex h-full min-h-0 flex-col">
      <div className="px-5 pb-3">
        <Segmented
          label="How to share"
          value={way}
          onChange={setWay}
          options={[
            { value: "people", text: "People" },
            { value: "shelves", text: "Shelves" },
            { value: "link", text: "Link" },
          ]}
        />
      </div>
      <div className="min-h-0 flex-1">
        {way === "shelves" ? (
          <ShelfShare resources={resources} onDone={onDone} />
        ) : way === "people" ? (
          <PeopleShare resources={resources} onDone={onDone} />
        ) : (
          <LinkShare resources={resources} name={name} onDone={onDone} />
        )}
      </div>
    </div>
  );
}

/**
 * Shares her things on a shelf: a sentence says where and for whom, typed in one line or chosen word by word; below it stands how far they may
 * go, shelf by shelf.
 */
function ShelfShare({
  resources,
  onDone,
}: {
  resources: readonly { id: number; title: string }[];
  onDone: () => void;
}) {
  const ids = resources.map(({ id }) => id);
  const key = ids.join();
  const [sharing, setSharing] = useState<Sharing | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [form, setForm] = useState<ShareForm | null>(null);
  const [line, setLine] = useState("");
  const [looked, setLooked] = useState(0);
  const [busy, start] = useOnce();
  const done = useDone();
  useEffect(() => {
    let gone = false;
    void lookAtSharing({ resources: key.split(",").map(Number) }).then((outcome) => {
      if (gone) return;
      if (!outcome.ok) return setProblem(outcome.problem);
      setProblem(null);
      setSharing(outcome.value);
      setForm((now) => now ?? outcome.value.start);
    });
    return () => {
      gone = true;
    };
  }, [key, looked]);
  if (problem)
    return (
      <Notice tone="warning" className="m-5">
        {problem}
      </Notice>
    );
  if (!sharing || !form) return <p className="p-5 text-ink-soft">Checking how far it can go …</p>;

  const typed = readShare(line, form);
  const said = typed.form;
  const answer = sharing.shelves.find(({ shelf }) => shelf === said.shelf)!;
  const change = (part: Partial<ShareForm>) => {
    setForm({ ...said, ...part });
    setLine("");
  };
  const settled = () => setLooked((times) => times + 1);
  const send = (event?: FormEvent) => {
    event?.preventDefault();
    if (answer.state === "closed" || answer.state === "waiting") return;
    if (said.grades.length === 0 || said.subjects.length === 0) return tellProblem("Choose a grade and a subject.");
    start(async () => {
      const outcome = await shareResources({ resources: ids, ...said });
      if (!outcome.ok) return tellProblem(outcome.problem);
      done(outcome.value.said, outcome.value.event, { onUndone: settled });
      onDone();
    });
  };
  const takeOff = (shelf: SharedShelf) =>
    start(async () => {
      const outcome = await takeFromShelf({ resources: ids, shelf });
      if (!outcome.ok) return tellProblem(outcome.problem);
      done(`No longer ${atShelf[shelf]}. Copies others made stay theirs.`, outcome.value.event, {
        onUndone: settled,
      });
      settled();
    });
  const takeOut = (step: string, block: string | null) =>
    start(async () => {
      const outcome = await takeOutPart({ resource: thing!.id, step, block });
      if (!outcome.ok) return tellProblem(outcome.problem);
      done("Taken out, and published without it.", outcome.value.event, { onUndone: settled });
      settled();
    });
  const narrower = sharing.shelves.find(({ state }) => state === "open" || state === "offer");
  const [thing] = sharing.things;
  const decided = sharing.things.length === 1 ? thing!.decided : null;
  return (
    <section aria-label="Share" className="flex h-full min-h-0 flex-col">
      <div className="min-h-0 flex-1 overflow-auto px-5">
        <form onSubmit={send}>
          <label className="grid gap-1">
            <span className="text-[13px] text-ink-soft">Share in one line, or press a word of the sentence</span>
            <TextInput
              autoFocus
              value={line}
              maxLength={200}
              placeholder="staffroom grades 4-5 maths"
              aria-describedby="share-left"
              onChange={(event) => setLine(event.target.value)}
            />
          </label>
          <p id="share-left" role="status" className="min-h-5 text-[13px] text-clay">
            {typed.left.length > 0 && `“${typed.left.join(" ")}” changes nothing yet.`}
          </p>
        </form>
        <p className="font-serif text-[22px] leading-relaxed">
          {said.shelf === "district" ? "On" : "In"}{" "}
          <Word
            name="Shelf"
            text={shelfNames[said.shelf]}
            options={sharedShelves.map((shelf) => ({
              value: shelf,
              text: names[shelf],
              closed: sharing.shelves.find((one) => one.shelf === shelf)!.state === "closed",
            }))}
            chosen={[said.shelf]}
            several={false}
            onChoose={([shelf]) => change({ shelf: shelf as SharedShelf })}
          />{" "}
          for{" "}
          <Word
            name="Grades"
            text={
              said.grades.length === 0
                ? "no grade"
                : `${said.grades.length === 1 ? "grade" : "grades"} ${formatGrades(said.grades)}`
            }
            options={Array.from({ length: 13 }, (_, grade) => ({
              value: String(grade),
              text: `grade ${gradeName(grade)}`,
            }))}
            chosen={said.grades.map(String)}
            several
            onChoose={(grades) => change({ grades: grades.map(Number).sort((one, other) => one - other) })}
          />{" "}
          in{" "}
          <Word
            name="Subjects"
            text={formatList(said.subjects) || "no subject"}
            options={subjects.map((subject) => ({ value: subject, text: subject }))}
            chosen={said.subjects}
            several
            onChoose={(chosen) => change({ subjects: subjects.filter((one) => chosen.includes(one)) as Subject[] })}
          />
          .
        </p>
        <p className="mt-1 mb-3 flex items-center gap-2 text-[13px] text-ink-soft">
          <Users size={15} aria-hidden /> {formatReaders(sharing, said.shelf)}
        </p>
        {decided && (decided.state === "returned" || decided.state === "declined") && (
          <Notice tone="mine" className="mb-3">
            {decided.decidedByName} {decided.state === "returned" ? "sent it back" : "declined it"}
            {decided.note ? `: “${decided.note}”` : "."}{" "}
            {decided.state === "returned" && (
              <Link href={`/adapt/${thing!.id}`} className="font-semibold underline">
                See the notes in the editor
              </Link>
            )}
          </Notice>
        )}
        <ul aria-label="How far it can go">
          {sharing.shelves.map((one) => (
            <ShelfRow
              key={one.shelf}
              answer={one}
              chosen={one.shelf === said.shelf}
              editor={sharing.things.length === 1 ? thing!.id : null}
              onChoose={() => change({ shelf: one.shelf })}
              onTakeOff={() => takeOff(one.shelf)}
              onTakeOut={sharing.things.length === 1 ? takeOut : null}
              busy={busy}
            />
          ))}
          <li className="border-t border-line py-3 text-[13px] text-ink-soft">
            {formatUses(sharing.things)} Steps, answers, notes and credits are shared. Results and goals never are.
          </li>
        </ul>
      </div>
      <footer className="flex shrink-0 items-center justify-end gap-2 border-t border-line bg-card px-5 py-3">
        {answer.state === "closed" && narrower && (
          <button type="button" className={buttonClasses()} onClick={() => change({ shelf: narrower.shelf })}>
            Share it {atShelf[narrower.shelf]} instead
          </button>
        )}
        <Button onClick={onDone}>Cancel</Button>
        <Button
          look="main"
          disabled={busy || answer.state === "closed" || answer.state === "waiting"}
          onClick={() => send()}
        >
          <Share2 size={16} aria-hidden />{" "}
          {busy ? "One moment …" : answer.state === "offer" ? "Offer it to the curators" : "Share"} <Key>enter</Key>
        </Button>
      </footer>
    </section>
  );
}
