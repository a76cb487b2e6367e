"use client";
import { useEffect, useMemo, useRef, useState } from "react";
import { useTranslations } from "use-intl";
import type { JoinCode } from "@/data/classes/classes";
import { withQuestions, type Document } from "@/core/resource/document";
import { Qr } from "../classes/qr";
import { StepView } from "../step/step-view";
import { FilmPlaceProvider, type FilmPlace } from "./film-place";
import { ShownAnswers, TimerSign } from "./lesson-parts";
import { PenLayer } from "./pen-layer";
import { useLesson } from "./use-lesson";
import { useWatchedPages } from "./use-watched-pages";

/**
 * The window for the projector: what students see, in letters the last row can read; no answers, no notes, no names. `asStudent`: as
 * a child's screen shows it, films on the board included.
 */
export function LessonBoard({
  assignment,
  title,
  document,
  code,
  joinLink,
  asStudent,
}: {
  assignment: number;
  title: string;
  /** Without answers and notes. */
  document: Document;
  code: JoinCode | null;
  joinLink: string;
  asStudent: boolean;
}) {
  const t = useTranslations("lesson");
  const { followed, onPage } = useLesson(`/lead/${assignment}/board/live`);
  const { lesson, ahead } = followed;
  const sheet = useRef<HTMLDivElement>(null);
  const running = lesson?.phase === "running";
  const at = running
    ? Math.max(
        0,
        document.steps.findIndex(({ id }) => id === lesson.step),
      )
    : 0;
  const step = document.steps[at];
  const work = step && lesson?.work[step.id];
  // A page that belongs to all of them is on the wall; a group's own is not.
  const [written, setWritten] = useState(0);
  const onWall = running && work?.shared === true && work.mode === "class";
  useEffect(() => (onWall ? onPage(() => setWritten((old) => old + 1)) : undefined), [onWall, onPage]);
  const wall = useWatchedPages(assignment, step?.id ?? "", onWall, written).find(({ members }) => members === null);
  const asked = new Map((wall?.questions ?? []).map((question) => [question.id, question]));
  const { block, from, at: since } = (running && lesson.playing) || { block: null, from: 0, at: 0 };
  const here = !asStudent || !running || lesson.film === "every screen";
  const filmPlace = useMemo<FilmPlace>(
    () => ({ here, playing: block === null || !here ? null : { block, from, at: since - ahead } }),
    [here, block, from, since, ahead],
  );
  if (!running)
    return (
      <main className="grid min-h-dvh place-items-center p-8">
        <div className="flex flex-wrap items-center justify-center gap-16">
          {code && (
            <Qr
              text={`${joinLink}?code=${encodeURIComponent(code.code)}&to=${assignment}`}
              label="The link as a picture for a tablet's camera"
              className="w-[min(56vh,40vw)] rounded-card bg-white"
            />
          )}
          <div>
            <h1 className="font-serif text-[3vw]">{title}</h1>
            {lesson?.phase === "lobby" && code ? (
              <>
                <p className="mt-4 text-[2.4vw]">{joinLink.replace(/^https?:\/\//, "")}</p>
                <p className="numbers text-[8vw] leading-tight font-bold tracking-widest">{code.code}</p>
              </>
            ) : (
              <p className="mt-4 text-[2vw] text-ink-soft">The lesson has not begun, or is over.</p>
            )}
          </div>
        </div>
      </main>
    );
  if (lesson.eyesUp)
    return (
      <main className="grid min-h-dvh place-items-center p-8 text-center">
        <p className="font-serif text-[7vw]">{t("eyesUp")}</p>
      </main>
    );
  return (
    <main className={`mx-auto flex min-h-dvh flex-col ${asStudent ? "max-w-3xl px-4 py-3" : "max-w-5xl px-8 py-6"}`}>
      <div className="flex flex-wrap items-center gap-4">
        <h1 className={`flex-1 truncate font-serif ${asStudent ? "text-lg" : "text-2xl"}`} title={title}>
          {title}
        </h1>
        {lesson.timer && <TimerSign timer={lesson.timer} ahead={ahead} />}
        <span className="numbers text-ink-soft">
          {at + 1} of {document.steps.length}
        </span>
      </div>
      {lesson.note && <p className="mt-4 rounded-card bg-slate-wash px-5 py-3 font-child text-[24px]">{lesson.note}</p>}
      {work?.onBoard && work.groups.length > 0 && !asStudent && (
        <ul aria-label={t("groups")} className="mt-4 flex flex-wrap gap-2 font-child text-[20px]">
          {work.groups.map((group) => (
            <li
              key={group.map(({ student }) => student).join(" ")}
              className="rounded-card border-2 border-line-strong bg-card px-4 py-1.5"
            >
              {group.map(({ name }) => name).join(" · ")}
            </li>
          ))}
        </ul>
      )}
      {lesson.quick && (
        <section className="mt-4 rounded-card border-2 border-green p-5 font-child text-[26px]">
          <h2 className="font-bold">{lesson.quick.ask}</h2>
          {lesson.quick.open && lesson.quick.options.length > 0 && (
            <ul className="mt-2 flex flex-wrap gap-3">
              {lesson.quick.options.map((option) => (
                <li key={option} className="rounded-card border-2 border-line-strong px-4 py-1">
                  {option}
                </li>
              ))}
            </ul>
          )}
        </section>
      )}
      {step && (
        <div ref={sheet} className={`relative mt-5 flex-1 font-child ${asStudent ? "text-[17px]" : "text-[24px]"}`}>
          <FilmPlaceProvider value={filmPlace}>
            <StepView
              key={step.id}
              step={withQuestions(step, (question) => asked.get(question.id) ?? question)}
              languages={document.languages}
              values={wall?.values ?? {}}
              marks={{}}
              onChange={() => undefined}
              readOnly
            />
          </FilmPlaceProvider>
          <PenLayer key={`pen ${step.id}`} around={sheet} strokes={lesson.pen} point={followed.point} />
        </div>
      )}
      <div className={asStudent ? "" : "font-child text-[24px]"}>
        <ShownAnswers followed={followed} />
      </div>
    </main>
  );
}
