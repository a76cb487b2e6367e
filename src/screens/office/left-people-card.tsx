"use client";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import type { LeftAdult } from "@/data/office/leaving";
import type { Adult } from "@/data/student/front-door";
import { handOver, markAsReturned, takeHandingBack } from "@/screens/acts/leaving";
import { Button } from "@/ui/button";
import { tell, tellProblem } from "@/ui/toast";
import { PersonSelect } from "./person-select";

const lessons = (count: number) => (count === 1 ? "one lesson" : `${count} lessons`);

/** Who has left the school: they come back, or their satchel goes to a colleague. */
export function LeftPeopleCard({ left, adults }: { left: readonly LeftAdult[]; adults: readonly Adult[] }) {
  const router = useRouter();
  const [to, setTo] = useState(0);
  const teachers = adults.filter(({ roles }) => roles.includes("teacher"));
  const [busy, start] = useTransition();
  const back = ({ id }: LeftAdult) =>
    start(async () => {
      const outcome = await markAsReturned({ person: id });
      if (!outcome.ok) return tellProblem(outcome.problem);
      tell(`${outcome.value.name} can sign in again.`);
      router.refresh();
    });
  const give = ({ id }: LeftAdult) =>
    start(async () => {
      const outcome = await handOver({ person: id, colleague: to });
      if (!outcome.ok) return tellProblem(outcome.problem);
      const { handed, name, to: colleague } = outcome.value;
      router.refresh();
      tell(`${colleague} has ${name}’s satchel now: ${lessons(handed.resources.length)}.`, () =>
        start(async () => {
          const undone = await takeHandingBack({ person: id, colleague: to, handed });
          if (undone.ok) tell("Taken back.");
          else tellProblem(undone.problem);
          router.refresh();
        }),
      );
    });
  if (left.length === 0) return null;
  return (
    <section aria-labelledby="left-people" className="rounded-card border border-line bg-card p-5">
      <h2 id="left-people" className="font-semibold">
        People who have left
      </h2>
      <p className="mt-1 text-ink-soft">
        They cannot sign in, and links they shared do not open until they are back. A colleague can have their lessons
        and pockets. If somebody now works at another school of the district, that school’s office adds the same e-mail
        address.
      </p>
      <label className="mt-3 block text-[13px] text-ink-soft">
        Hand over to
        <PersonSelect people={[{ id: 0, name: "Choose a colleague" }, ...teachers]} value={to} onPerson={setTo} />
      </label>
      <ul className="mt-2 divide-y divide-line" aria-label="People who have left">
        {left.map((person) => (
          <li key={person.id} className="flex min-h-10 flex-wrap items-center gap-2 py-1">
            <span className="min-w-0 flex-1">
              <span className="block truncate font-semibold" title={person.name}>
                {person.name}
              </span>
              <span className="block truncate text-[13px] text-ink-soft" title={person.email}>
                {person.email} · {person.lessons === 0 ? "no lessons" : lessons(person.lessons)}
              </span>
            </span>
            <Button size="small" disabled={busy || to === 0} onClick={() => give(person)}>
              Hand over satchel
            </Button>
            <Button size="small" look="quiet" disabled={busy} onClick={() => back(person)}>
              Is back
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
