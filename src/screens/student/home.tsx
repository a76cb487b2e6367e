"use client";
import { Heart, Library, LogOut } from "lucide-react";
import { Link } from "@/ui/link";
import { useState } from "react";
import type { ReactNode } from "react";
import { availability } from "@/core/assign/door";
import type { OwnAssignment } from "@/data/student/work";
import { leave } from "@/screens/acts/sign-in";
import { forgetKeptPages, KeepOffline } from "../offline/keep-offline";
import { ScreenLanguageChoice } from "../language/screen-language";
import { useWhen } from "../language/use-when";
import { BadgeChoice } from "./badge-choice";
import { BadgeIcon } from "./badge-icon";
import { ComfortButton, ComfortPanel } from "./comfort";
import { useLive } from "../use-live";
import { useNotNow } from "./not-now";
import { Postmark } from "./postmark";
import { SendWaiting } from "./send-waiting";
import { useTranslations } from "use-intl";

/** How many pieces of work are kept on the device, the most urgent first: more than a school day has. */
const MOST_KEPT = 12;

function Section({ title, empty, children }: { title: string; empty?: string; children: ReactNode[] }) {
  if (children.length === 0 && !empty) return null;
  return (
    <section className="mt-6">
      <h2 className="mb-2 text-xl font-bold">{title}</h2>
      {children.length > 0 ? <ul className="grid gap-3">{children}</ul> : <p className="text-ink-soft">{empty}</p>}
    </section>
  );
}

/** With the part, where only a part was given: "Long lesson, 1 of 2". */
const nameOf = (assigned: OwnAssignment) => (assigned.part ? `${assigned.title}, ${assigned.part}` : assigned.title);

const capital = (text: string) => text[0]!.toUpperCase() + text.slice(1);

/** What to do now, what is coming, what is done. */
export function StudentHome({
  student,
  name,
  assignments,
  earlier,
  led,
  byCode,
  badge,
  pieces,
  reads,
  screens,
  zone,
  now,
}: {
  student: number;
  name: string;
  assignments: OwnAssignment[];
  /** What was closed or done weeks ago, and whether it is among the assignments; null: there is nothing of the kind. */
  earlier: { count: number; shown: boolean } | null;
  /** The assignments with which a lesson is led just now. */
  led: ReadonlySet<number>;
  /** Came in with the class's code: sees today's work only. */
  byCode: boolean;
  /** The picture she is known by. */
  badge: number;
  /** How many pieces her portfolio has; null: it is not shown, because she came in by the class's code. */
  pieces: number | null;
  /** Whether a class of hers has a shelf to read from. */
  reads: boolean;
  /** The languages these screens are in. */
  screens: readonly { code: string; name: string }[];
  zone: string;
  now: Date;
}) {
  const handed = (assigned: OwnAssignment) => assigned.lastHandedIn !== null && !assigned.working;
  const doors = new Map(assignments.map((assigned) => [assigned, availability(assigned, zone, now)]));
  const closed = (assigned: OwnAssignment) => {
    const door = doors.get(assigned)!;
    return !door.open && (door.why === "closed" || (door.why === "other day" && door.next === null));
  };
  // By the class's code nothing of earlier is seen, so nothing of it is asked for.
  const cameBack = (assigned: OwnAssignment) => !byCode && assigned.sentBack > 0;
  // What is led now comes first: the class is there already. Then what came back.
  const first = (assigned: OwnAssignment) => (led.has(assigned.assignment) ? 2 : cameBack(assigned) ? 1 : 0);
  const todo = assignments
    .filter((assigned) => (doors.get(assigned)!.open && !handed(assigned)) || first(assigned) > 0)
    .sort((one, other) => first(other) - first(one));
  const coming = assignments.filter(
    (assigned) => !doors.get(assigned)!.open && !closed(assigned) && !handed(assigned) && first(assigned) === 0,
  );
  const done = assignments.filter((assigned) => handed(assigned) && first(assigned) === 0).reverse();
  const missed = assignments.filter((assigned) => closed(assigned) && !handed(assigned) && first(assigned) === 0);
  const t = useTranslations("home");
  const reading = useTranslations("reading");
  const common = useTranslations("common");
  const { when } = useWhen(zone, now);
  const formatNotNow = useNotNow(zone, now);
  const due = (assigned: OwnAssignment) => t(assigned.due < now ? "wasDue" : "until", { when: when(assigned.due) });
  const [comfort, setComfort] = useState(false);
  const [own, setOwn] = useState(badge);
  useLive("/student/live");
  const more = (assigned: OwnAssignment) =>
    doors.get(assigned)!.open && (assigned.tries === null || assigned.begun < assigned.tries);
  return (
    <main className="finger-size mx-auto max-w-3xl px-4 py-5 font-child text-(length:--child-text)">
      <header className="flex flex-wrap items-center justify-between gap-y-2">
        <h1 className="font-serif text-2xl flex items-center gap-3 max-sm:basis-full">
          <BadgeIcon n={own} size={22} /> {t("hello", { name })}
        </h1>
        <span className="mr-2 ml-auto flex items-center gap-2">
          <ScreenLanguageChoice languages={screens} />
          <ComfortButton open={comfort} onOpen={setComfort} />
        </span>
        <button
          type="button"
          onClick={() => void forgetKeptPages().then(() => leave({}))}
          className="inline-flex min-h-12 items-center gap-2 rounded-card border-2 border-line bg-card px-4 whitespace-nowrap"
        >
          <LogOut size={18} aria-hidden /> <span className="max-[24rem]:heard">{t("leave")}</span>
        </button>
      </header>
      {comfort && (
        <ComfortPanel onDone={() => setComfort(false)}>
          {!byCode && <BadgeChoice badge={own} onChoose={setOwn} />}
        </ComfortPanel>
      )}
      <SendWaiting student={student} />
      <KeepOffline
        student={student}
        pages={["/student", ...todo.slice(0, MOST_KEPT).map(({ assignment }) => `/student/${assignment}`)]}
      />
      <div className="mt-4 flex flex-wrap gap-3 empty:hidden">
        {reads && (
          <Link
            href="/student/reading"
            className="inline-flex min-h-12 items-center gap-2 rounded-card border-2 border-line bg-card px-5 font-bold"
          >
            <Library size={20} aria-hidden /> {reading("open")}
          </Link>
        )}
        {pieces !== null && (
          <Link
            href="/student/portfolio"
            className="inline-flex min-h-12 items-center gap-2 rounded-card border-2 border-line bg-card px-5 font-bold"
          >
            <Heart size={20} aria-hidden className={pieces > 0 ? "fill-current text-brass" : ""} /> {t("mine")}
            {pieces > 0 && <span className="numbers font-normal text-ink-soft">{pieces}</span>}
          </Link>
        )}
      </div>
      {byCode && <p className="mt-3 text-ink-soft">{t("byCode")}</p>}
      <Section title={t("now")} empty={t("nothingNow")}>
        {todo.map((assigned, at) => (
          <li
            key={assigned.assignment}
            className={`flex flex-wrap items-center gap-4 rounded-card border-2 bg-card p-5 ${at === 0 ? "border-ink" : "border-line"}`}
          >
            <div className="min-w-48 flex-1">
              <h3 className="text-xl font-bold">{nameOf(assigned)}</h3>
              <p className="text-ink-soft">
                {led.has(assigned.assignment)
                  ? t("lesson", { teacher: assigned.teacher })
                  : cameBack(assigned)
                    ? t("sentBack", { teacher: assigned.teacher })
                    : due(assigned)}{" "}
                · {assigned.className}
              </p>
            </div>
            <Link
              href={`/student/${assigned.assignment}`}
              className={`grid min-h-14 min-w-28 place-items-center rounded-card border-2 border-green px-6 text-lg font-bold ${at === 0 ? "bg-green text-on-green" : "text-green"}`}
            >
              {led.has(assigned.assignment)
                ? t("join")
                : cameBack(assigned)
                  ? t("change")
                  : assigned.working
                    ? t("goOn")
                    : common("begin")}
              <span className="heard">: {nameOf(assigned)}</span>
            </Link>
          </li>
        ))}
      </Section>
      <div className="grid gap-x-6 sm:grid-cols-2">
        <Section title={t("coming")} empty={t("nothingComing")}>
          {coming.map((assigned) => (
            <li key={assigned.assignment} className="rounded-card border border-line bg-card px-4 py-3">
              <span className="block">{nameOf(assigned)}</span>
              <span className="text-[0.88em] text-ink-soft">{capital(formatNotNow(assigned)!)}</span>
            </li>
          ))}
        </Section>
        <Section title={t("done")} empty={t("nothingDone")}>
          {done.map((assigned) => (
            <li
              key={assigned.assignment}
              className="flex items-center gap-3 rounded-card border border-line bg-card px-4 py-2"
            >
              <div className="min-w-0 flex-1">
                <Link
                  href={`/student/${assigned.assignment}`}
                  className="inline-block min-h-12 py-2 underline decoration-line-strong underline-offset-4"
                >
                  {nameOf(assigned)}
                </Link>
                {more(assigned) && <span className="block text-[0.88em] text-ink-soft">{t("again")}</span>}
              </div>
              <Postmark at={assigned.lastHandedIn!} zone={zone} now={now} />
            </li>
          ))}
        </Section>
        <Section title={t("closed")}>
          {missed.map((assigned) => (
            <li key={assigned.assignment} className="rounded-card border border-line bg-card px-4 py-3">
              <span className="block">{nameOf(assigned)}</span>
              <span className="text-[0.88em] text-ink-soft">{capital(formatNotNow(assigned)!)}</span>
            </li>
          ))}
        </Section>
      </div>
      {earlier && (
        <Link
          href={earlier.shown ? "/student" : "/student?earlier=1"}
          scroll={false}
          className="mt-6 inline-block min-h-12 py-2 underline decoration-line-strong underline-offset-4"
        >
          {earlier.shown ? t("recent") : t("earlier", { count: earlier.count })}
        </Link>
      )}
    </main>
  );
}
