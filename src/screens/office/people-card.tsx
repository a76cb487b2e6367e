"use client";
import { Copy, Mail, ShieldOff, UserMinus } from "lucide-react";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import { formatDay } from "@/core/calendar/format-moment";
import type { Adult } from "@/data/student/front-door";
import { bringInPeople, endSecondStepOf, inviteAgain } from "@/screens/acts/begin";
import { markAsReturned, markAsLeft } from "@/screens/acts/leaving";
import { copyAddress } from "@/ui/address";
import { Button } from "@/ui/button";
import { Field, inputClasses } from "@/ui/field";
import { Notice } from "@/ui/notice";
import { tell, tellProblem } from "@/ui/toast";

interface Looked {
  fresh: number;
  known: number;
  problems: { line: number; text: string; row: string }[];
}

const people = (count: number) => (count === 1 ? "one person" : `${count} people`);

/** Who works at the school: added by typing or pasting, each invited to choose a password. */
export function PeopleCard({ adults, zone, now }: { adults: Adult[]; zone: string; now: Date }) {
  const router = useRouter();
  const [text, setText] = useState("");
  const [looked, setLooked] = useState<Looked | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [link, setLink] = useState<{ name: string; address: string } | null>(null);
  const [busy, start] = useTransition();
  const run = (add: boolean) =>
    start(async () => {
      const outcome = await bringInPeople({ text, add });
      setProblem(outcome.ok ? null : outcome.problem);
      if (!outcome.ok) return;
      setLooked(outcome.value);
      if (!add) return;
      // What could not be read stays in the box, to be put right.
      const lines = text.split(/\r\n|\r|\n/);
      setText(outcome.value.problems.map(({ line }) => lines[line - 1] ?? "").join("\n"));
      router.refresh();
      tell(`Added ${people(outcome.value.added)}. Their invitations are in the outbox.`);
    });
  const again = (person: Adult) =>
    start(async () => {
      const outcome = await inviteAgain({ person: person.id });
      if (!outcome.ok) return tellProblem(outcome.problem);
      setLink(outcome.value);
      router.refresh();
    });
  const withoutSecondStep = (person: Adult) =>
    start(async () => {
      const outcome = await endSecondStepOf({ person: person.id });
      if (!outcome.ok) return tellProblem(outcome.problem);
      tell(`${person.name} signs in with the password alone again.`);
      router.refresh();
    });
  const hasLeft = (person: Adult) =>
    start(async () => {
      const outcome = await markAsLeft({ person: person.id });
      if (!outcome.ok) return tellProblem(outcome.problem);
      const { name, classes } = outcome.value;
      router.refresh();
      tell(
        `${name} cannot sign in any more.${classes.length > 0 ? ` Nobody teaches ${classes.join(", ")} now.` : ""}`,
        () =>
          start(async () => {
            const back = await markAsReturned({ person: person.id });
            if (!back.ok) return tellProblem(back.problem);
            router.refresh();
          }),
      );
    });
  return (
    <section aria-labelledby="people" className="rounded-card border border-line bg-card p-5">
      <h2 id="people" className="font-semibold">
        Teachers and office
      </h2>
      <ul className="mt-2 max-h-72 divide-y divide-line overflow-auto" tabIndex={0} aria-label="People of the school">
        {adults.map((person) => (
          <li key={person.id} className="flex min-h-10 items-center gap-3 py-1">
            <span className="min-w-0 flex-1">
              <span className="block truncate" title={person.name}>
                <span className="font-semibold">{person.name}</span>{" "}
                <span className="text-[13px] text-ink-soft">{person.roles.join(", ")}</span>
              </span>
              <span className="block truncate text-[13px] text-ink-soft" title={person.email}>
                {person.email}
              </span>
            </span>
            <span className="text-[13px] text-ink-soft">
              {person.joined ? "" : person.invited ? `invited ${formatDay(person.invited, zone, now)}` : "not invited"}
            </span>
            {person.secondStep && (
              <Button
                size="small"
                disabled={busy}
                title="For somebody who has lost her phone and her codes"
                onClick={() => withoutSecondStep(person)}
              >
                <ShieldOff size={14} aria-hidden /> Turn off second step
              </Button>
            )}
            <Button size="small" disabled={busy} onClick={() => again(person)}>
              <Mail size={14} aria-hidden /> {person.joined ? "New password" : "Invite again"}
            </Button>
            <Button
              size="small"
              look="quiet"
              disabled={busy}
              aria-label={`${person.name} has left`}
              onClick={() => hasLeft(person)}
            >
              <UserMinus size={14} aria-hidden /> Has left
            </Button>
          </li>
        ))}
      </ul>
      {link && (
        <Notice className="mt-3">
          <p>{link.name} can choose a password at this address. It works once; the previous one no longer works.</p>
          <p className="mt-1 flex items-center gap-2">
            <code className="min-w-0 flex-1 truncate text-[13px]" title={link.address}>
              {link.address}
            </code>
            <Button size="small" onClick={() => void copyAddress(link.address)}>
              <Copy size={14} aria-hidden /> Copy
            </Button>
          </p>
        </Notice>
      )}
      <Field
        className="mt-4"
        label="Add people: one a line, given name, family name, e-mail, role"
        help="Roles are teacher, office or curator; without one it is teacher. You can paste a list from a spreadsheet."
      >
        {(control) => (
          <textarea
            {...control}
            rows={4}
            value={text}
            maxLength={200_000}
            placeholder="Ines, Halloran, ines.halloran@skerry.example, teacher"
            onChange={(event) => {
              setText(event.target.value);
              setLooked(null);
            }}
            className={`${inputClasses} py-1.5`}
          />
        )}
      </Field>
      {problem && (
        <Notice tone="warning" className="mt-2">
          {problem}
        </Notice>
      )}
      {looked && (
        <div aria-live="polite" className="mt-2 text-[13px]">
          <p>
            To add: {people(looked.fresh)}.{looked.known > 0 && ` Already here: ${people(looked.known)}.`}
            {looked.problems.length > 0 &&
              ` ${looked.problems.length === 1 ? "One line" : `${looked.problems.length} lines`} cannot be read:`}
          </p>
          <ul className="max-h-32 overflow-auto text-clay">
            {looked.problems.map((one) => (
              <li key={`${one.line} ${one.text}`}>
                Line {one.line}: {one.text} ({one.row})
              </li>
            ))}
          </ul>
        </div>
      )}
      <div className="mt-3 flex gap-2">
        <Button disabled={busy || text.trim() === ""} onClick={() => run(false)}>
          Check the list
        </Button>
        <Button look="main" disabled={busy || text.trim() === ""} onClick={() => run(true)}>
          {busy ? "One moment …" : "Add and invite"}
        </Button>
      </div>
    </section>
  );
}
