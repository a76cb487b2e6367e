"use client";
import { Check, Pin as PinSign, TriangleAlert, X } from "lucide-react";
import { Link } from "@/ui/link";
import { useRef, useState, useTransition } from "react";
import { flushSync } from "react-dom";
import { formatDay } from "@/core/calendar/format-moment";
import { compareFacts } from "@/core/find/compare";
import { gradeName } from "@/core/content/grade";
import { formatGrades, shelfNames } from "@/core/find/format";
import { licenceNames } from "@/core/licence/licence";
import { stepTitle } from "@/core/resource/changes";
import type { Subject } from "@/core/resource/document";
import { subjects as allSubjects } from "@/core/content/vocabulary";
import { formatList } from "@/core/format-list";
import { decideOffer } from "@/screens/acts/desk";
import type { DeskOffer } from "@/server/share/desk";
import { Button } from "@/ui/button";
import { inputClasses } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";
import { Key } from "@/ui/key";
import { useKeys } from "@/ui/keys";
import { Notice } from "@/ui/notice";
import { tellProblem } from "@/ui/toast";
import { Word } from "@/ui/word";
import { stepAt } from "../light-table/step-at";
import { useAddress } from "../use-address";
import { useDone } from "../use-done";

const shown = new Set(["Author", "Minutes", "Grades", "Reads at", "Steps", "Standards", "Students", "Licence"]);

/** What is on the shelf already and much like the offer, row by row. */
function Alike({ opened, teaches }: { opened: DeskOffer; teaches: boolean }) {
  const { alike, facts, offer, beside } = opened;
  const { go } = useAddress();
  if (alike.length === 0) return <p className="mt-1 text-ink-soft">Nothing on {shelfNames[offer.shelf]} is like it.</p>;
  const rows = compareFacts([
    { facts, author: offer.byName, usedHere: 0 },
    ...alike.map((one) => ({ facts: one.facts, author: one.author, usedHere: one.usedBy })),
  ]).filter(({ what }) => shown.has(what));
  return (
    <div className="mt-2 shrink-0 overflow-x-auto" tabIndex={0} role="region" aria-label="Beside what is on the shelf">
      <table className="w-full text-left text-[13px]">
        <thead>
          <tr>
            <td />
            <th scope="col" className="p-1 align-bottom">
              this offer
            </th>
            {alike.map((one) => (
              <th key={one.id} scope="col" className="p-1 align-bottom">
                {teaches ? (
                  <Link href={`/find?open=${one.id}`} className="text-green underline">
                    {one.facts.title}
                  </Link>
                ) : (
                  one.facts.title
                )}
                <Button
                  size="small"
                  look={beside?.id === one.id ? "main" : "plain"}
                  aria-pressed={beside?.id === one.id}
                  aria-label={`Side by side with ${one.facts.title}`}
                  className="mt-1 !flex !font-normal whitespace-nowrap"
                  onClick={() => go({ beside: beside?.id === one.id ? null : one.id })}
                >
                  Side by side
                </Button>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ what, values, differs }) => (
            <tr key={what} className="border-t border-line">
              <th scope="row" className="p-1 font-normal whitespace-nowrap text-ink-soft">
                {what}
                {differs && " ≠"}
              </th>
              {values.map((value, nth) => (
                <td key={nth} className={nth === 0 && differs ? "p-1 font-semibold" : "p-1"}>
                  {value}
                </td>
              ))}
            </tr>
          ))}
          <tr className="border-t border-line">
            <th scope="row" className="p-1 font-normal text-ink-soft">
              Used by
            </th>
            <td className="p-1">–</td>
            {alike.map((one) => (
              <td key={one.id} className="p-1">
                {one.usedBy} {one.usedBy === 1 ? "class" : "classes"}
              </td>
            ))}
          </tr>
        </tbody>
      </table>
    </div>
  );
}

/** "6 offers before: 5 accepted, 1 sent back." */
function formatBefore({ before, offer }: DeskOffer): string {
  const words = {
    accepted: "accepted",
    returned: "sent back",
    declined: "declined",
    waiting: "waiting",
    withdrawn: "taken back",
  };
  const all = Object.values(before).reduce((sum, count) => sum + count, 0);
  if (all === 0) return `This is ${offer.byName}’s first offer.`;
  const said = Object.entries(before).map(([state, count]) => `${count} ${words[state as keyof typeof words]}`);
  return `${offer.byName} offered ${all} ${all === 1 ? "other" : "others"}: ${said.join(", ")}.`;
}

/** Beside an offer: what is like it, whether its rights fit, and the decision, by press or by key. */
export function DecidePanel({
  opened,
  teaches,
  leaving,
  own,
  next,
  zone,
  now,
}: {
  opened: DeskOffer;
  teaches: boolean;
  /** Another offer is on its way: nothing is decided about this one. */
  leaving: boolean;
  own: boolean;
  /** The offer to go on with. */
  next: number | null;
  zone: string;
  now: Date;
}) {
  const { offer, document, reasons } = opened;
  const { go, parameters } = useAddress();
  const [grades, setGrades] = useState(opened.grades);
  const [subjects, setSubjects] = useState<Subject[]>(opened.subjects);
  const [note, setNote] = useState("");
  const [pins, setPins] = useState<Record<string, string>>({});
  const [busy, start] = useTransition();
  // Decided once: a second press on the way is none.
  const deciding = useRef(false);
  const noteBox = useRef<HTMLTextAreaElement>(null);
  const done = useDone();
  const step =
    document.steps[Math.min(stepAt(parameters.get("step"), document.steps.length), document.steps.length - 1)];
  const waits = offer.state === "waiting";
  const pinned = Object.entries(pins).filter(([, text]) => text.trim() !== "");
  const decide = (decision: "accepted" | "returned" | "declined") => {
    if (deciding.current || leaving || !waits || own) return;
    if (decision === "accepted" && reasons.length > 0) return tellProblem(reasons[0]!.text);
    if (decision !== "accepted" && note.trim() === "" && (decision === "declined" || pinned.length === 0)) {
      tellProblem(
        decision === "declined"
          ? "Say why: the author reads it."
          : "Say what to change, in a note or pinned to a step.",
      );
      noteBox.current?.focus();
      return;
    }
    deciding.current = true;
    start(async () => {
      const outcome = await decideOffer({
        ...{ offer: offer.id, revision: offer.revision, proposed: offer.proposed, decision, grades, subjects, note },
        pins: pinned.map(([id, text]) => ({ step: id, text })),
      });
      if (!outcome.ok) {
        deciding.current = false;
        return tellProblem(outcome.problem);
      }
      done(outcome.value.said, outcome.value.event);
      go({ offer: next, step: null, beside: null });
    });
  };
  const pin = () => {
    if (!step || !waits) return;
    // There at once: the next letters typed are the note, and none of them may be taken for a key that decides.
    if (!(step.id in pins)) flushSync(() => setPins({ ...pins, [step.id]: "" }));
    window.document.getElementById(`pin-${step.id}`)?.focus();
  };
  /** The next of those it can be looked at beside; after the last, none. */
  const cycle = () => {
    const ids = [...(opened.changes === null ? [] : [opened.resource]), ...opened.alike.map(({ id }) => id)];
    go({ beside: ids[ids.indexOf(opened.beside?.id ?? -1) + 1] ?? null });
  };
  useKeys({ c: cycle, n: pin, a: () => decide("accepted"), b: () => decide("returned"), d: () => decide("declined") });
  return (
    <aside aria-label="Decide" className="flex min-h-0 flex-col overflow-auto border-l border-line bg-card p-4">
      {opened.changes !== null && (
        <section aria-labelledby="changes" className="mb-4 grid justify-items-start gap-1">
          <h3 id="changes" className="font-serif text-lg">
            Already on this shelf
          </h3>
          <p>What would change: {opened.changes || "no change we count"}.</p>
          <Button
            size="small"
            look={opened.beside?.id === opened.resource ? "main" : "plain"}
            aria-pressed={opened.beside?.id === opened.resource}
            onClick={() => go({ beside: opened.beside?.id === opened.resource ? null : opened.resource })}
          >
            Compare with the current revision
          </Button>
        </section>
      )}
      <h3 className="font-serif text-lg">Similar things on this shelf</h3>
      <Alike opened={opened} teaches={teaches} />
      <h3 className="mt-4 font-serif text-lg">Licence and rights</h3>
      <ul className="mt-1 grid gap-1">
        {reasons.map(({ text }) => (
          <li key={text} className="flex gap-2 text-clay">
            <TriangleAlert size={15} aria-hidden className="mt-0.5 shrink-0" /> {text}
          </li>
        ))}
        {reasons.length === 0 && (
          <li className="flex gap-2">
            <Check size={15} aria-hidden className="mt-0.5 shrink-0 text-green" />
            {licenceNames[document.licence]}; no one else’s voice, no child’s name or work in it.
          </li>
        )}
        {document.credits.length > 0 && (
          <li className="flex gap-2">
            <Check size={15} aria-hidden className="mt-0.5 shrink-0 text-green" />
            Its sources are credited: {formatList(document.credits.map(({ title }) => `“${title}”`))}.
          </li>
        )}
        <li className="text-ink-soft">{formatBefore(opened)}</li>
      </ul>
      <section aria-labelledby="decide" className="mt-auto grid gap-3 border-t border-line pt-4">
        <h3 id="decide" className="font-serif text-lg">
          Decide
        </h3>
        {!waits ? (
          <p>
            {offer.decidedByName ?? offer.byName} {offer.state === "withdrawn" ? "took it back" : `${offer.state} it`}
            {offer.decided && `, ${formatDay(offer.decided, zone, now)}`}.{offer.note && ` “${offer.note}”`}
          </p>
        ) : own ? (
          <Notice tone="mine">This is yours. Another curator decides about it.</Notice>
        ) : (
          <>
            <p className="font-serif text-[18px] leading-relaxed">
              For{" "}
              <Word
                name="Grades"
                text={
                  grades.length === 0
                    ? "no grade"
                    : `${grades.length === 1 ? "grade" : "grades"} ${formatGrades(grades)}`
                }
                options={Array.from({ length: 13 }, (_, grade) => ({
                  value: String(grade),
                  text: `grade ${gradeName(grade)}`,
                }))}
                chosen={grades.map(String)}
                several
                onChoose={(values) => setGrades(values.map(Number).sort((one, other) => one - other))}
              />{" "}
              in{" "}
              <Word
                name="Subjects"
                text={formatList(subjects) || "no subject"}
                options={allSubjects.map((subject) => ({ value: subject, text: subject }))}
                chosen={subjects}
                several
                onChoose={(values) => setSubjects(allSubjects.filter((one) => values.includes(one)))}
              />
            </p>
            {Object.keys(pins).map((id) => (
              <div key={id} className="rounded-card border border-slate p-2">
                <label htmlFor={`pin-${id}`} className="flex items-center gap-1 text-[13px] font-semibold">
                  <PinSign size={13} aria-hidden />{" "}
                  {stepTitle(
                    document.steps.find((one) => one.id === id)!,
                    document.languages,
                  )}
                  <span className="ml-auto">
                    <IconButton
                      name="Remove this note"
                      small
                      onClick={() => setPins(Object.fromEntries(Object.entries(pins).filter(([one]) => one !== id)))}
                    >
                      <X size={13} aria-hidden />
                    </IconButton>
                  </span>
                </label>
                <textarea
                  id={`pin-${id}`}
                  className={`${inputClasses} mt-1`}
                  rows={2}
                  maxLength={1000}
                  value={pins[id]}
                  onChange={(event) => setPins({ ...pins, [id]: event.target.value })}
                />
              </div>
            ))}
            <Button size="small" onClick={pin} disabled={!step}>
              <PinSign size={14} aria-hidden /> Pin a note to this step <Key>n</Key>
            </Button>
            <label className="grid gap-1 text-[13px]">
              A note for {offer.byName}
              <textarea
                ref={noteBox}
                className={inputClasses}
                rows={2}
                maxLength={2000}
                value={note}
                onChange={(event) => setNote(event.target.value)}
              />
            </label>
            <div className="flex flex-wrap gap-2">
              <Button look="main" disabled={busy || reasons.length > 0} onClick={() => decide("accepted")}>
                Accept <Key>a</Key>
              </Button>
              <Button disabled={busy} onClick={() => decide("returned")}>
                Send back <Key>b</Key>
              </Button>
              <Button look="clay" disabled={busy} onClick={() => decide("declined")}>
                Decline <Key>d</Key>
              </Button>
            </div>
          </>
        )}
      </section>
    </aside>
  );
}
