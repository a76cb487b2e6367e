"use client";
import { clsx } from "clsx";
import { ArrowLeft, BookOpen, Check, Feather, Heart, Library, Star, Users } from "lucide-react";
import { Link } from "@/ui/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { useLocale, useTranslations } from "use-intl";
import { interestNames, type Interest } from "@/core/reading/interests";
import type { Reason } from "@/core/reading/suggest";
import { chooseInterests } from "@/screens/acts/reading";
import type { ReadingPlace, ToRead } from "@/server/reading/choose";
import { useProblem } from "../language/use-problem";
import { interestIcons } from "./interest-icons";

const reasonIcons = {
  top: Star,
  likes: Heart,
  classmates: Users,
  easy: Feather,
  fits: Check,
  there: BookOpen,
} as const;

/** What a reading is about, as its cover. */
function Cover({ about, small = false }: { about: readonly Interest[]; small?: boolean }) {
  const Icon = about[0] ? interestIcons[about[0]] : BookOpen;
  return (
    <span
      aria-hidden
      className={clsx(
        "grid shrink-0 place-items-center rounded-card bg-slate-wash text-slate",
        small ? "h-16 w-14" : "h-24 w-full",
      )}
    >
      <Icon size={small ? 26 : 40} strokeWidth={1.5} />
    </span>
  );
}

function Because({ reason }: { reason: Reason }) {
  const t = useTranslations("reading");
  const interest = useTranslations("interest");
  const Icon = reasonIcons[reason.kind];
  const said =
    reason.kind === "likes"
      ? t("because_likes", { interest: interest(reason.interest) })
      : reason.kind === "classmates"
        ? t("because_classmates", { count: reason.count })
        : t(`because_${reason.kind}`);
  return (
    <p className="flex gap-2">
      <Icon size={18} aria-hidden className="mt-1 shrink-0 text-green" /> {said}
    </p>
  );
}

function ReadLink({ reading, look = "plain" }: { reading: ToRead; look?: "plain" | "main" }) {
  const t = useTranslations("reading");
  return (
    <Link
      href={`/student/reading/${reading.resource}`}
      className={clsx(
        "inline-grid min-h-12 place-items-center rounded-card border-2 px-5 font-bold",
        look === "main" ? "border-green bg-green text-on-green" : "border-line-strong",
      )}
    >
      {look === "main" ? t("goOn") : reading.finished ? t("again") : t("read")}
      <span className="heard">: {reading.title}</span>
    </Link>
  );
}

function Week({ place }: { place: ReadingPlace }) {
  const t = useTranslations("reading");
  const locale = useLocale();
  const { week, perDay } = place;
  const most = Math.max(1, ...week.days.map(({ minutes }) => minutes ?? 0));
  const day = (date: string) =>
    new Intl.DateTimeFormat(locale, { weekday: "short", timeZone: "UTC" }).format(new Date(`${date}T12:00:00Z`));
  const share = Math.min(1, week.minutes / week.goal);
  return (
    <section className="grid gap-3 rounded-card border border-line bg-card p-4">
      <h2 className="font-bold">{t(perDay ? "ofDay" : "ofWeek", { minutes: week.minutes, goal: week.goal })}</h2>
      <div aria-hidden className="h-2 overflow-hidden rounded-full bg-shade">
        <div className="h-full bg-green" style={{ width: `${share * 100}%` }} />
      </div>
      <ul className="grid grid-cols-7 gap-1.5">
        {week.days.map(({ date, minutes }) => (
          <li key={date} className="grid gap-1 text-center text-[min(0.82em,3.6vw)]">
            <span
              aria-hidden
              className={clsx(
                "flex h-16 items-end rounded-[4px]",
                minutes === null ? "border border-dashed border-line" : "bg-shade",
              )}
            >
              <span
                className="block w-full rounded-[4px] bg-green"
                style={{ height: `${((minutes ?? 0) / most) * 100}%` }}
              />
            </span>
            <span className="numbers font-bold">{minutes ?? "\u00a0"}</span>
            <span className="text-ink-soft">{day(date)}</span>
          </li>
        ))}
      </ul>
      <p className="text-ink-soft">{week.left === 0 ? t("met") : t("left", { left: week.left })}</p>
    </section>
  );
}

/** Where a child chooses what to read: what she is at, three with a reason, the whole shelf, her minutes, what she likes. */
export function ChooseScreen({ place, name }: { place: ReadingPlace; name: string }) {
  const t = useTranslations("reading");
  const interest = useTranslations("interest");
  const locale = useLocale();
  const problemText = useProblem();
  const router = useRouter();
  const [whole, setWhole] = useState(false);
  const [likes, setLikes] = useState<readonly Interest[]>(place.likes);
  const [problem, setProblem] = useState<string | null>(null);
  const like = async (one: Interest) => {
    const next = likes.includes(one) ? likes.filter((other) => other !== one) : [...likes, one];
    setLikes(next);
    const outcome = await chooseInterests({ likes: next });
    setProblem(outcome.ok ? null : problemText(outcome));
    if (outcome.ok) router.refresh();
    else setLikes(likes);
  };
  const { current, suggested, shelf, log } = place;
  const day = new Intl.DateTimeFormat(locale, { weekday: "short", timeZone: "UTC" });
  return (
    <main className="finger-size mx-auto grid max-w-4xl grid-cols-1 gap-5 px-4 py-5 font-child text-(length:--child-text)">
      <header className="flex flex-wrap items-center gap-3">
        <Link
          href="/student"
          className="inline-flex min-h-12 items-center gap-2 rounded-card border-2 border-line bg-card px-4"
        >
          <ArrowLeft size={18} aria-hidden /> {t("back")}
        </Link>
        <h1 className="font-serif text-2xl">{t("title", { name })}</h1>
      </header>
      {/* Measured in letters: a child may have set them twice as large. */}
      <div className="flex flex-wrap gap-5">
        <div className="@container grid min-w-0 flex-[3_1_22em] auto-rows-min grid-cols-1 gap-5">
          {current && (
            <section className="flex flex-wrap items-center gap-4 rounded-card border-2 border-ink bg-card p-4">
              <Cover about={current.about} small />
              <h2 className="min-w-32 flex-1 text-xl font-bold">{current.title}</h2>
              <ReadLink reading={current} look="main" />
            </section>
          )}
          <section className="grid gap-3">
            <div className="flex flex-wrap items-center justify-between gap-2">
              <h2 className="font-bold">{t("three")}</h2>
              <button
                type="button"
                aria-expanded={whole}
                onClick={() => setWhole(!whole)}
                className="inline-flex min-h-12 items-center gap-2 rounded-card border-2 border-line bg-card px-4"
              >
                <Library size={18} aria-hidden /> {whole ? t("hideShelf") : t("whole", { count: shelf.length })}
              </button>
            </div>
            {suggested.length === 0 && <p>{t("nothing")}</p>}
            <ul className="grid gap-3 @[24em]:grid-cols-3">
              {suggested.map((reading) => (
                <li
                  key={reading.resource}
                  className="grid grid-rows-[auto_auto_1fr_auto] gap-2 rounded-card border border-line bg-card p-3"
                >
                  <Cover about={reading.about} />
                  <h3 className="font-bold">{reading.title}</h3>
                  <Because reason={reading.reason} />
                  <p className="flex flex-wrap items-center gap-3">
                    <ReadLink reading={reading} />
                    <span className="text-ink-soft">{t("minutesLong", { count: reading.minutes })}</span>
                  </p>
                </li>
              ))}
            </ul>
            {whole && (
              <ul className="grid gap-2">
                {shelf.map((reading) => (
                  <li
                    key={reading.resource}
                    className="flex flex-wrap items-center gap-3 rounded-card border border-line bg-card px-3 py-2"
                  >
                    <span className="min-w-40 flex-1">
                      {reading.title}
                      <span className="block text-[0.88em] text-ink-soft">
                        {[
                          t("minutesLong", { count: reading.minutes }),
                          reading.finished && t("finished"),
                          reading.hard && t("hard"),
                        ]
                          .filter(Boolean)
                          .join(" · ")}
                      </span>
                    </span>
                    <ReadLink reading={reading} />
                  </li>
                ))}
              </ul>
            )}
          </section>
        </div>
        <div className="grid min-w-0 flex-[1_1_15em] auto-rows-min grid-cols-1 gap-5">
          <Week place={place} />
          <section className="grid gap-2">
            <h2 className="font-bold">{t("log")}</h2>
            {log.length === 0 && <p className="text-ink-soft">{t("noLog")}</p>}
            <ul>
              {log.map((row) => (
                <li key={`${row.date} ${row.title}`} className="flex gap-3 border-t border-line py-1.5">
                  <span className="w-[2.6em] text-ink-soft">{day.format(new Date(`${row.date}T12:00:00Z`))}</span>
                  <span className="min-w-0 flex-1">{row.title}</span>
                  <span className="numbers font-bold">{row.minutes}</span>
                </li>
              ))}
            </ul>
          </section>
        </div>
      </div>
      <section className="grid gap-2">
        <h2 className="font-bold">{t("likes")}</h2>
        {problem && <p role="alert">{problem}</p>}
        <ul className="grid grid-cols-[repeat(auto-fill,minmax(min(100%,max(7.75rem,6.5em)),1fr))] gap-2">
          {interestNames.map((one) => {
            const Icon = interestIcons[one];
            const on = likes.includes(one);
            return (
              <li key={one}>
                <button
                  type="button"
                  aria-pressed={on}
                  onClick={() => void like(one)}
                  className={clsx(
                    "relative grid min-h-20 w-full place-items-center gap-1 rounded-card border-2 bg-card px-1 py-2",
                    on ? "border-ink font-bold" : "border-line",
                  )}
                >
                  {on && (
                    <Check
                      size={16}
                      aria-hidden
                      className="absolute top-1.5 right-1.5 rounded-full bg-ink text-paper"
                    />
                  )}
                  <Icon size={28} strokeWidth={1.6} aria-hidden /> {interest(one)}
                </button>
              </li>
            );
          })}
        </ul>
      </section>
    </main>
  );
}
