"use client";
import { ArrowRight, ExternalLink, Film } from "lucide-react";
import { useEffect, useRef, useState, type ReactNode } from "react";
import { clockTime } from "@/core/media/captions";
import { farthest, stopBetween } from "@/core/media/stops";
import type { BlockOf, FilmStop } from "@/core/resource/block";
import { inLanguage } from "@/core/content/language";
import type { Question } from "@/core/question/question";
import { FilmStage, type Stage } from "../media/film-stage";
import { useFilmPlace } from "../live/film-place";
import { useWorkPlace } from "../media/work-place";
import { Rich } from "./rich";
import { useTranslations } from "use-intl";

interface Left {
  at: number;
  passed: string[];
}

function readLeft(place: string | null): Left | null {
  try {
    const left = JSON.parse((place && localStorage.getItem(place)) || "null") as Left | null;
    return left && Number.isFinite(left.at) && Array.isArray(left.passed) ? left : null;
  } catch {
    return null;
  }
}

/** More than this behind the others is seen and heard in a room. */
const MOST_BEHIND_SECONDS = 0.5;

/** Where a film that was started for everybody is by now, in seconds. */
const placeNow = ({ from, at }: { from: number; at: number }): number => from + Math.max(0, Date.now() - at) / 1000;

/** A film as students see it: it waits at its stops, takes an answer, and goes on; begun again, it stands where it was left. */
export function FilmView({
  block,
  languages,
  readOnly,
  ask,
  answered,
}: {
  block: BlockOf<"film">;
  languages: readonly string[];
  readOnly: boolean;
  ask: (question: Question) => ReactNode;
  answered: (question: Question) => boolean;
}) {
  const t = useTranslations("film");
  const { remember } = useWorkPlace();
  const place = remember && `satchel-film-${remember}-${block.id}`;
  const [seen, setSeen] = useState<ReadonlySet<string>>(new Set());
  const [waiting, setWaiting] = useState<FilmStop | null>(null);
  /** How far into the film somebody was put who came late or comes back: questions before it may never have been shown. */
  const [begunAt, setBegunAt] = useState(0);
  const stage = useRef<Stage>(null);
  const panel = useRef<HTMLDivElement>(null);
  const stops = block.stops.toSorted((one, other) => one.at - other.at);
  const { here, playing } = useFilmPlace();
  /** Started for everybody, and not seen to run here yet. */
  const justStarted = useRef<typeof playing>(null);
  const passed = new Set([
    ...seen,
    ...stops.filter((stop) => stop.question && answered(stop.question)).map((stop) => stop.id),
  ]);

  useEffect(() => {
    const left = readLeft(place);
    if (!left) return;
    // eslint-disable-next-line react-hooks/set-state-in-effect -- only the device knows where it was left
    setSeen(new Set(left.passed));
    setBegunAt(left.at);
    stage.current?.goTo(left.at);
  }, [place]);
  const keep = (at: number, more: ReadonlySet<string> = seen) => {
    if (!place || readOnly) return;
    try {
      localStorage.setItem(place, JSON.stringify({ at, passed: [...more] } satisfies Left));
    } catch {
      // Without storage the film begins at its beginning; nothing else is lost.
    }
  };

  const move = (from: number, to: number) => {
    const late = justStarted.current;
    justStarted.current = null;
    // It took this screen a while to begin, and by now the others are farther; but past no stop.
    const ahead = readOnly ? [] : stops.filter(({ id, at }) => at > to && !passed.has(id)).map((stop) => stop.at);
    const there = late && Math.min(placeNow(late), ...ahead);
    if (there !== null && there - to > MOST_BEHIND_SECONDS) return stage.current?.goTo(there);
    const stop = readOnly ? null : stopBetween(stops, passed, from, to);
    if (!stop) return Math.floor(to) !== Math.floor(from) ? keep(to) : undefined;
    stage.current?.pause();
    stage.current?.goTo(stop.at);
    keep(stop.at);
    setWaiting(stop);
    requestAnimationFrame(() => panel.current?.focus());
  };
  /** A stop that nobody has passed holds the film, also when it is opened again right there; moved away from, it waits no more. */
  const mayPlay = (at: number) => {
    const here = readOnly ? undefined : stops.find((stop) => Math.abs(stop.at - at) < 0.06 && !passed.has(stop.id));
    setWaiting(here ?? null);
    // Its question takes as long as it takes: what the others are doing does not matter here any more.
    if (here) justStarted.current = null;
    return !here;
  };
  const goOn = () => {
    if (!waiting) return;
    const more = new Set([...seen, waiting.id]);
    setSeen(more);
    setWaiting(null);
    keep(waiting.at, more);
    // Another stop at the same moment comes before the film goes on.
    const also = stops.find((stop) => stop.at === waiting.at && !more.has(stop.id) && !passed.has(stop.id));
    if (also) setWaiting(also);
    else stage.current?.play();
  };
  // Started for everybody at one moment: a screen that comes late begins where the others are.
  const started = playing?.block === block.id ? playing : null;
  useEffect(() => {
    if (!started) return;
    const there = placeNow(started);
    stage.current?.goTo(there);
    // eslint-disable-next-line react-hooks/set-state-in-effect -- where the others are depends on the moment
    setBegunAt(there);
    justStarted.current = started;
    stage.current?.play();
    const film = stage.current;
    return () => {
      justStarted.current = null;
      film?.pause();
    };
  }, [started]);
  const title = inLanguage(block.title, languages);
  if (!here)
    return (
      <section
        aria-label={title ? t("named", { title }) : t("film")}
        className="grid min-h-28 place-items-center gap-1 rounded-card border-2 border-dashed border-line-strong p-4 text-center text-ink-soft"
      >
        <Film size={22} aria-hidden />
        <p>{t("onBoard")}</p>
      </section>
    );
  const mayGoOn = !waiting?.question || waiting.maySkip || answered(waiting.question);
  return (
    <section aria-label={title ? t("named", { title }) : t("film")} className="grid gap-3">
      <FilmStage
        block={block}
        languages={languages}
        stage={stage}
        {...(!readOnly && { farthest: farthest(stops, passed, Infinity) })}
        marks={stops.map((stop) => ({ id: stop.id, at: stop.at, done: passed.has(stop.id) }))}
        mayPlay={mayPlay}
        onMove={move}
      />
      {waiting && (
        <div
          ref={panel}
          tabIndex={-1}
          role="group"
          aria-label={t("waits", { time: clockTime(waiting.at - (block.from ?? 0)) })}
          className="grid gap-4 rounded-card border-2 border-green bg-green-wash p-4 outline-none"
        >
          <StopContent stop={waiting} languages={languages} ask={ask} />
          <div className="flex items-center gap-3">
            <button
              type="button"
              disabled={!mayGoOn}
              onClick={goOn}
              className="inline-flex min-h-12 items-center gap-2 rounded-card bg-green px-5 font-bold text-on-green disabled:opacity-50"
            >
              {t("goOn")} <ArrowRight size={20} aria-hidden />
            </button>
            {!mayGoOn && <span className="text-[0.9em] text-ink-soft">{t("answerFirst")}</span>}
          </div>
        </div>
      )}
      {(readOnly || !waiting) && (
        <AskedBefore
          stops={stops.filter((stop) => stop.question && (readOnly || passed.has(stop.id) || stop.at < begunAt))}
          unanswered={
            readOnly ? 0 : stops.filter(({ id, at, question }) => question && at < begunAt && !passed.has(id)).length
          }
          open={readOnly || stops.some(({ id, at, question }) => question && at < begunAt && !seen.has(id))}
          languages={languages}
          ask={ask}
        />
      )}
    </section>
  );
}

function StopContent({
  stop,
  languages,
  ask,
}: {
  stop: FilmStop;
  languages: readonly string[];
  ask: (question: Question) => ReactNode;
}) {
  const t = useTranslations("film");
  return (
    <>
      <Rich text={inLanguage(stop.note, languages)} />
      {stop.link && (
        <a
          href={stop.link.href}
          target="_blank"
          rel="noreferrer"
          className="inline-flex items-center gap-1.5 text-green underline"
        >
          <ExternalLink size={16} aria-hidden /> {inLanguage(stop.link.label, languages)}
          <span className="heard"> {t("newWindow")}</span>
        </a>
      )}
      {stop.question && ask(stop.question)}
    </>
  );
}

/** What the film has asked already: to look at again, to change, to answer after the others, and, when it is handed in, to see the marks of. */
function AskedBefore({
  stops,
  unanswered,
  open,
  languages,
  ask,
}: {
  stops: readonly FilmStop[];
  unanswered: number;
  open: boolean;
  languages: readonly string[];
  ask: (question: Question) => ReactNode;
}) {
  const t = useTranslations("film");
  if (stops.length === 0) return null;
  return (
    <details className="rounded-card border border-line bg-card" open={open}>
      <summary className="min-h-12 cursor-pointer px-4 py-3">
        {unanswered > 0 ? t("unanswered", { count: unanswered }) : t("soFar", { count: stops.length })}
      </summary>
      <ol className="grid gap-5 p-4 pt-1">
        {stops.map((stop) => (
          <li key={stop.id} className="grid gap-2">
            <p className="numbers text-[0.85em] text-ink-soft">{clockTime(stop.at)}</p>
            <StopContent stop={stop} languages={languages} ask={ask} />
          </li>
        ))}
      </ol>
    </details>
  );
}
