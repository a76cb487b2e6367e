"use client";
import { CalendarPlus, IdCard, Mail, Printer } from "lucide-react";
import { Link } from "@/ui/link";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import type { LoginCard } from "@/core/roster/secret";
import type { Picture } from "@/core/student/pictures";
import type { Class, JoinCode, Student } from "@/data/classes/classes";
import { endFeed, makeFeed } from "@/screens/acts/classes";
import { makeCards } from "@/screens/acts/roster";
import { Address } from "@/ui/address";
import { Button, buttonClasses } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Notice } from "@/ui/notice";
import { Segmented } from "@/ui/segmented";
import { tell, tellProblem } from "@/ui/toast";
import { pictureIcons } from "../student/picture-icon";
import { useDone } from "../use-done";
import { JoinCodeCard } from "./join-code";
import { Qr } from "./qr";

function Card({ card, joinLink }: { card: LoginCard; joinLink: string }) {
  const qr = `${joinLink}?with=${card.kind}&name=${encodeURIComponent(card.signInName)}`;
  return (
    <li className="flex break-inside-avoid items-center gap-4 rounded-card border border-line-strong bg-white p-4 text-black">
      <Qr text={qr} label="" className="h-20 w-20" />
      <div className="min-w-0 flex-1 font-child">
        <p className="text-lg leading-tight font-bold">{card.name}</p>
        <p className="text-[14px]">{joinLink.replace(/^https?:\/\//, "")}</p>
        <p className="text-[15px]">
          my name: <strong>{card.signInName}</strong>
        </p>
        {card.kind === "words" ? (
          <p className="text-[15px]">
            my words: <strong>{card.secret.join(" ")}</strong>
          </p>
        ) : (
          <p className="mt-1 flex items-center gap-3">
            {card.secret.map((one) => {
              const Icon = pictureIcons[one as Picture];
              return (
                <span key={one} className="grid justify-items-center text-[12px]">
                  <Icon size={26} strokeWidth={1.6} aria-hidden />
                  {one}
                </span>
              );
            })}
          </p>
        )}
      </div>
    </li>
  );
}

function Cards({ group, students, joinLink }: { group: Class; students: Student[]; joinLink: string }) {
  const [kind, setKind] = useState<"pictures" | "words">(group.gradeTo <= 2 ? "pictures" : "words");
  const [chosen, setChosen] = useState<readonly number[]>(students.map(({ id }) => id));
  const [cards, setCards] = useState<LoginCard[] | null>(null);
  const [sure, setSure] = useState(false);
  const [busy, start] = useTransition();
  const done = useDone();
  const make = () =>
    start(async () => {
      const outcome = await makeCards({ class: group.id, students: [...chosen], kind });
      if (!outcome.ok) return tellProblem(outcome.problem);
      setCards(outcome.value.cards);
      setSure(false);
      const { length } = outcome.value.cards;
      done(length === 1 ? "A new card." : `${length} new cards.`, outcome.value.event, {
        onUndone: () => setCards(null),
      });
    });
  return (
    <section aria-labelledby="cards" className="rounded-card border border-line bg-card p-5 print:border-0 print:p-0">
      <div className="not-printed">
        <h2 id="cards" className="flex items-center gap-2 font-semibold">
          <IdCard size={16} aria-hidden /> Login cards
        </h2>
        <p className="mt-1 text-ink-soft">
          Each card has a new password: only its hash is kept, so a lost card is replaced by a new one. The old password
          ends.
        </p>
        <div className="mt-3 flex flex-wrap items-center gap-3">
          <Segmented
            label="Password of"
            value={kind}
            onChange={setKind}
            options={[
              { value: "words", text: "two words" },
              { value: "pictures", text: "three pictures" },
            ]}
          />
          {cards ? (
            <>
              <Button look="main" onClick={() => window.print()}>
                <Printer size={15} aria-hidden /> Print {cards.length}
              </Button>
              <Button onClick={() => setCards(null)}>Close</Button>
            </>
          ) : sure ? (
            <>
              <Button look="clay" disabled={busy} onClick={make}>
                {busy ? "One moment …" : `Yes, new passwords for ${chosen.length}`}
              </Button>
              <Button onClick={() => setSure(false)}>No</Button>
            </>
          ) : (
            <Button disabled={chosen.length === 0} onClick={() => setSure(true)}>
              Make {chosen.length} {chosen.length === 1 ? "card" : "cards"} …
            </Button>
          )}
        </div>
        {!cards && (
          <p className="mt-3 flex gap-1.5">
            <Button size="small" onClick={() => setChosen(students.map(({ id }) => id))}>
              All
            </Button>
            <Button size="small" onClick={() => setChosen([])}>
              None
            </Button>
          </p>
        )}
        {!cards && (
          <ul className="mt-3 grid max-h-44 grid-cols-[repeat(auto-fill,minmax(11rem,1fr))] gap-x-3 gap-y-1 overflow-auto rounded-card border border-line p-2">
            {students.map(({ id, givenName, familyName }) => (
              <li key={id}>
                <label className="flex items-center gap-2">
                  <Checkbox
                    label={`${givenName} ${familyName}`}
                    checked={chosen.includes(id)}
                    onChange={(on) => setChosen(on ? [...chosen, id] : chosen.filter((one) => one !== id))}
                  />
                  <span className="truncate">
                    {givenName} {familyName}
                  </span>
                </label>
              </li>
            ))}
          </ul>
        )}
        {cards && (
          <Notice className="mt-3">These passwords are shown only once. Print them before you leave this page.</Notice>
        )}
      </div>
      {cards && (
        <ul aria-label="Login cards" className="mt-4 grid gap-3 sm:grid-cols-2">
          {cards.map((card) => (
            <Card key={card.signInName} card={card} joinLink={joinLink} />
          ))}
        </ul>
      )}
    </section>
  );
}

function Feed({ group, feed }: { group: Class; feed: boolean }) {
  const [address, setAddress] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const router = useRouter();
  const make = () =>
    start(async () => {
      const outcome = await makeFeed({ class: group.id });
      if (!outcome.ok) return tellProblem(outcome.problem);
      setAddress(outcome.value.address);
      router.refresh();
    });
  const end = () =>
    start(async () => {
      const outcome = await endFeed({ class: group.id });
      if (!outcome.ok) return tellProblem(outcome.problem);
      setAddress(null);
      router.refresh();
      tell("The address no longer works. Calendars that used it will be empty.");
    });
  return (
    <section aria-labelledby="feed" className="not-printed rounded-card border border-line bg-card p-5">
      <h2 id="feed" className="flex items-center gap-2 font-semibold">
        <CalendarPlus size={16} aria-hidden /> Calendar
      </h2>
      <p className="mt-1 text-ink-soft">
        What {group.name} has, in any calendar that reads iCalendar. Anyone who knows the address can read it; no names
        of students are in it.
      </p>
      {address && (
        <div className="mt-3">
          <Address address={address} label="Address of the calendar" />
        </div>
      )}
      {feed && !address && (
        <p className="mt-2">There is an address in use. It was shown when it was made; a new one replaces it.</p>
      )}
      <div className="mt-3 flex flex-wrap gap-2">
        <Button disabled={busy} onClick={make}>
          {feed ? "A new address" : "Make an address"}
        </Button>
        {feed && (
          <Button disabled={busy} onClick={end}>
            End it
          </Button>
        )}
        <a href={`/classes/${group.id}/calendar`} className={buttonClasses()} download>
          As a file
        </a>
      </div>
    </section>
  );
}

/** How students and calendars come in: code, cards, letters, feed. */
export function WaysIn({
  group,
  students,
  keeps,
  code,
  feed,
  zone,
  joinLink,
}: {
  group: Class;
  students: Student[];
  /** May make new cards. */
  keeps: boolean;
  code: JoinCode | null;
  feed: boolean;
  zone: string;
  joinLink: string;
}) {
  return (
    <div className="grid items-start gap-5 lg:grid-cols-[24rem_minmax(0,1fr)] print:block">
      <div className="not-printed grid gap-5">
        <JoinCodeCard group={group} code={code} zone={zone} joinLink={joinLink} />
        <Feed group={group} feed={feed} />
        <section aria-labelledby="letters" className="rounded-card border border-line bg-card p-5">
          <h2 id="letters" className="flex items-center gap-2 font-semibold">
            <Mail size={16} aria-hidden /> Letters home
          </h2>
          <p className="mt-1 mb-3 text-ink-soft">One for each student, in the family’s language where we have it.</p>
          <Link href={`/letters/${group.id}`} className={buttonClasses()}>
            See and print them
          </Link>
        </section>
      </div>
      {keeps && <Cards group={group} students={students} joinLink={joinLink} />}
    </div>
  );
}
