"use client";
import { ArrowLeft, ArrowRight, Check, CloudOff, Hourglass, Loader2 } from "lucide-react";
import { clsx } from "clsx";
import { useMemo, useRef, useState } from "react";
import { questionsOf, titleOf, withQuestions, type Step } from "@/core/resource/document";
import type { Question } from "@/core/question/question";
import { isPiece } from "@/core/review/sharing";
import { isBlankResponse, type Mark } from "@/core/question/mark";
import { checkAnswer } from "@/screens/acts/student";
import type { Problem } from "@/server/web/problem";
import type { StudentWorkData } from "@/server/student/student-work";
import { WorkPlaceProvider } from "../media/work-place";
import { useReadingLanguage } from "./use-reading-language";
import { BeforeHandIn } from "../step/before-hand-in";
import { GlossaryProvider } from "../step/glossary";
import { StepDots } from "../step/step-dots";
import { StepView } from "../step/step-view";
import { useProblem } from "../language/use-problem";
import { Ending } from "./ending";
import { ReadToMe } from "../step/read-to-me";
import { PieceStrip } from "../review/piece-strip";
import { WorkHeader } from "./work-header";
import { SendWaiting } from "./send-waiting";
import { useAnswers, type KeepState } from "./use-answers";
import { useFollowing } from "../live/use-following";
import { FilmPlaceProvider } from "../live/film-place";
import { HelpButton } from "../live/help-button";
import { Curtain, curtained, LessonLine, ShownAnswers } from "../live/lesson-parts";
import { PenLayer } from "../live/pen-layer";
import { StepNotes } from "../live/step-notes";
import { QuickCard } from "../live/quick-card";
import { WorkSign } from "../live/work-sign";
import { MadeTogether, TogetherSign, undoTogether } from "./together-parts";
import { KeepOffline } from "../offline/keep-offline";
import { HandsInLater } from "./hands-in-later";
import { useHandIn } from "./use-hand-in";
import { useLimits } from "./use-limits";
import { useTogether } from "./use-together";
import { useTranslations } from "use-intl";

const keptSigns = {
  kept: { icon: Check, text: "kept" },
  sending: { icon: Loader2, text: "sending" },
  waiting: { icon: CloudOff, text: "waiting" },
  "kept aside": { icon: Hourglass, text: "aside" },
  "signed out": { icon: CloudOff, text: "notSent" },
  "called back": { icon: CloudOff, text: "notSent" },
  "handed in": { icon: CloudOff, text: "notSent" },
  "not open": { icon: CloudOff, text: "notSent" },
} as const satisfies Record<KeepState, { icon: typeof Check; text: string }>;

/** Said where it cannot be sent, and trying again is of no use: what happened, what was kept, what to do. */
const whyNotSent = {
  "signed out": "whySignedOut",
  "called back": "whyCalledBack",
  "handed in": "whyHandedIn",
  "not open": "whyNotOpen",
  "kept aside": "whyAside",
} as const;
const isFinal = (state: KeepState): boolean => state in whyNotSent;
const whyOf = (state: KeepState) => (state in whyNotSent ? whyNotSent[state as keyof typeof whyNotSent] : null);

function KeptSign({ state }: { state: KeepState }) {
  const t = useTranslations("kept");
  const { icon: Icon, text } = keptSigns[state];
  return (
    <p role="status" className="flex items-center gap-1.5 text-[0.82em] text-ink-soft">
      <Icon size={16} aria-hidden className={clsx("shrink-0", state === "sending" && "animate-spin")} />{" "}
      <span className="max-[22rem]:sr-only">{t(text)}</span>
    </p>
  );
}

/** One thing at a time: a step, its questions, on to the next; at the end it is handed in. */
export function StudentWorkScreen({
  data,
  student,
  name,
  zone,
  now,
}: {
  data: StudentWorkData;
  student: number;
  /** Her given name. */
  name: string;
  zone: string;
  now: Date;
}) {
  const t = useTranslations("work");
  const kept = useTranslations("kept");
  const lessonText = useTranslations("lesson");
  const problemText = useProblem();
  const sheet = useRef<HTMLDivElement>(null);
  const { assigned, document, attempt } = data;
  const { steps } = document;
  const [reads, setReads] = useReadingLanguage(document.languages);
  const languages = [reads, ...document.languages.filter((one) => one !== reads)];
  const readOnly = Boolean(attempt?.handedIn);
  /** What came back to be corrected is open, though all of it was handed in. */
  const reopened = readOnly ? (data.review?.open ?? []) : [];
  const correcting = reopened.length > 0;
  const tryNumber = attempt && (!attempt.handedIn || correcting) ? attempt.number : (attempt?.number ?? 0) + 1;
  const place = { student, assignment: assigned.assignment, recipient: assigned.recipient, number: tryNumber };
  const answers = useAnswers(place, data.values, !readOnly || correcting);
  const [marks, setMarks] = useState<Record<string, Mark | undefined>>(data.marks ?? {});
  const [feedback, setFeedback] = useState<Record<string, Question["feedback"]>>({});
  const [checking, setChecking] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const top = useRef<HTMLDivElement>(null);
  const workPlace = useMemo(
    () => ({
      filesTo: `/student/${assigned.assignment}/file`,
      remember: `${assigned.recipient}-${tryNumber}`,
      kept: data.kept,
    }),
    [assigned.assignment, assigned.recipient, tryNumber, data.kept],
  );

  const { flush } = answers;
  const onLimit = useMemo(
    () => ({
      over: () => void flush(),
      problem: (said: Problem | "no network" | null) =>
        setProblem(said === null ? null : said === "no network" ? t("noNetworkBegin") : problemText(said)),
    }),
    [flush, t, problemText],
  );
  const { hand, handing, later, notYet } = useHandIn({
    ...{ student, assignment: assigned.assignment, number: tryNumber, flush, isFinal, onProblem: setProblem },
  });
  const limits = useLimits(assigned.assignment, data.limits, onLimit);

  /** A question whose time is over asks nothing more. */
  const answered = (question: Question) =>
    !isBlankResponse(question.type, answers.values[question.id]) || limits.over(question);
  const done = (step: Step) => {
    const questions = questionsOf(step);
    return questions.length > 0 && questions.every(answered);
  };
  const firstOpen = steps.findIndex((step) => questionsOf(step).length > 0 && !done(step));
  const [ownAt, setAt] = useState(() =>
    correcting
      ? Math.max(
          0,
          steps.findIndex((one) => questionsOf(one).some(({ id }) => reopened.includes(id))),
        )
      : readOnly
        ? steps.length
        : Object.keys(data.values).length === 0
          ? 0
          : Math.max(0, firstOpen),
  );
  const { followed, at, held, upTo, askForHelp, answerQuick, sendNote, filmPlace, onPage } = useFollowing({
    ...{ assignment: assigned.assignment, steps, readOnly, own: ownAt, onMoved: setAt },
  });
  const step = steps[at];
  const { together, past } = useTogether({
    ...{ assignment: assigned.assignment, student, step, onPage, lesson: readOnly ? null : followed.lesson },
    ...{ before: data.sharedPages, values: answers.values },
  });
  /** Paused, or not there yet: then nothing of it is written. */
  const isHeld = together !== null && (together.paused || !together.page?.open);

  const go = (to: number) => {
    if (held || to > upTo) return;
    setAt(to);
    setProblem(null);
    top.current?.focus();
    window.scrollTo({ top: 0 });
  };
  const check = async (question: Question) => {
    setChecking(question.id);
    const asked = answers.current(question.id);
    const key = crypto.randomUUID();
    try {
      const outcome = await checkAnswer({
        assignment: assigned.assignment,
        question: question.id,
        key,
        value: answers.values[question.id],
        age: answers.ageOf(asked),
        after: answers.leave(question.id, key),
      });
      if (!outcome.ok) return setProblem(problemText(outcome));
      answers.settleChecked(asked);
      setProblem(null);
      // Changed while it was being checked: what came back is about another answer.
      if (answers.current(question.id) !== asked) return;
      setMarks((old) => ({ ...old, [question.id]: outcome.value.mark }));
      const said = outcome.value.feedback;
      setFeedback((old) => ({ ...old, [question.id]: said }));
    } catch {
      setProblem(t("noNetworkCheck"));
    } finally {
      setChecking(null);
    }
  };
  // After handing in, the page is read again with the marks; show the end then.
  const [wasStill, setWasStill] = useState(readOnly);
  if (readOnly !== wasStill) {
    setWasStill(readOnly);
    setMarks(data.marks ?? {});
    setAt(steps.length);
  }

  const why = whyOf(answers.state);
  const told = (question: Question): Question =>
    feedback[question.id] ? { ...question, feedback: feedback[question.id] } : question;
  const shown: Step | undefined = together?.step ?? (step && withQuestions(limits.opened(step), told));
  return (
    <>
      {followed.lesson && <Curtain lesson={followed.lesson} name={name} />}
      <main
        inert={curtained(followed.lesson)}
        className="finger-size mx-auto max-w-3xl px-4 pt-3 pb-28 font-child text-(length:--child-text)"
      >
        <WorkHeader
          title={titleOf(document)}
          due={assigned.due}
          {...{ zone, now, reads, setReads }}
          read={document.languages}
        >
          {shown && <ReadToMe key={`${shown.id} ${reads}`} step={shown} languages={languages} within={sheet} />}
        </WorkHeader>
        {held ? (
          <div className="h-4" />
        ) : (
          <StepDots steps={steps} at={at} done={done} onPick={go} languages={languages} />
        )}
        <LessonLine followed={followed} done={readOnly} />
        {followed.lesson?.quick?.open && (
          <QuickCard key={followed.lesson.quick.id} quick={followed.lesson.quick} send={answerQuick} />
        )}
        <div ref={top} tabIndex={-1} className="outline-none">
          {shown ? (
            <div
              ref={sheet}
              className="relative rounded-card border border-line bg-card p-5 sm:p-7"
              onKeyDown={together?.page ? undoTogether(together.page) : undefined}
            >
              <WorkSign step={shown} lesson={followed.lesson} student={student} />
              {together && <TogetherSign together={together} />}
              <WorkPlaceProvider value={workPlace}>
                <FilmPlaceProvider value={filmPlace}>
                  <GlossaryProvider vocabulary={document.vocabulary} languages={languages}>
                    <StepView
                      key={shown.id}
                      step={shown}
                      languages={languages}
                      values={together?.values ?? answers.values}
                      marks={together ? {} : marks}
                      onChange={(question, value) => {
                        if (together?.has(question)) return together.page?.write(question, value);
                        answers.answer(question.id, value);
                        setMarks((old) => ({ ...old, [question.id]: undefined }));
                      }}
                      mayCheck={readOnly || together ? undefined : (question) => data.mayCheck.includes(question.id)}
                      onCheck={readOnly ? undefined : (question) => void check(question)}
                      checking={checking}
                      readOnly={readOnly || isHeld}
                      reopened={(question) =>
                        reopened.includes(question.id) ||
                        (together?.page != null && !readOnly && !together.has(question))
                      }
                      below={
                        together
                          ? null
                          : data.review &&
                            ((question) =>
                              (isPiece(question.type) || data.review!.pieces[question.id]) && (
                                <PieceStrip
                                  assignment={assigned.assignment}
                                  teacher={assigned.teacher}
                                  question={question}
                                  value={answers.values[question.id]}
                                  languages={languages}
                                  review={data.review!}
                                  mayChange={!readOnly || reopened.includes(question.id)}
                                  flush={async () => (await answers.flush()) === "kept"}
                                />
                              ))
                      }
                      limits={readOnly ? undefined : limits.forSteps}
                    />
                  </GlossaryProvider>
                </FilmPlaceProvider>
              </WorkPlaceProvider>
              {followed.lesson && (
                <PenLayer
                  key={shown.id}
                  around={sheet}
                  strokes={followed.lesson.step === shown.id ? followed.lesson.pen : []}
                  point={followed.point}
                />
              )}
            </div>
          ) : readOnly ? (
            <Ending data={data} zone={zone} now={now} onBack={() => go(0)} />
          ) : (
            <>
              {later && <HandsInLater onNotYet={notYet} />}
              <BeforeHandIn {...{ steps, languages, answered }} busy={handing || later} onGo={go} onHandIn={hand} />
            </>
          )}
          {shown && past && <MadeTogether step={shown} page={past} languages={languages} />}
          <ShownAnswers followed={followed} />
          {shown && (
            <StepNotes
              key={shown.id}
              notes={followed.notes.filter((note) => note.step === shown.id)}
              open={followed.asked}
              send={followed.mayWrite ? sendNote : undefined}
            />
          )}
          {(problem || why) && (
            <p role="alert" className="mt-3 rounded-card bg-clay-wash px-4 py-3 font-bold text-clay">
              {problem ?? (why && kept(why))}
            </p>
          )}
          {answers.noRoom() && (
            <p role="alert" className="mt-3 rounded-card bg-clay-wash px-4 py-3 font-bold text-clay">
              {kept("noRoom")}
            </p>
          )}
          <SendWaiting student={student} except={assigned.assignment} />
          <KeepOffline student={student} pages={[`/student/${assigned.assignment}`]} />
        </div>
        <footer className="fixed inset-x-0 bottom-0 border-t border-line bg-paper">
          <div className="mx-auto flex max-w-3xl items-center gap-3 px-4 py-2.5">
            <button
              type="button"
              disabled={held || at === 0}
              onClick={() => go(at - 1)}
              className="inline-flex min-h-12 items-center gap-2 rounded-card border-2 border-line bg-card px-4 font-bold disabled:opacity-40"
            >
              <ArrowLeft size={20} aria-hidden /> <span className="max-[26rem]:sr-only">{t("back")}</span>
            </button>
            <div className="flex-1">{!readOnly && <KeptSign state={answers.state} />}</div>
            {!readOnly && at < steps.length && <HelpButton asked={followed.asked} onAsk={askForHelp} />}
            {at < steps.length && (
              <button
                type="button"
                title={held || at >= upTo ? lessonText("waitHere") : undefined}
                disabled={held || at >= upTo}
                onClick={() => go(at + 1)}
                className="inline-flex whitespace-nowrap disabled:opacity-40 min-h-12 items-center gap-2 rounded-card border-2 border-green bg-green px-5 font-bold text-on-green"
              >
                {held || at >= upTo ? lessonText("wait") : t(at === steps.length - 1 ? "toTheEnd" : "next")}{" "}
                <ArrowRight size={20} aria-hidden />
              </button>
            )}
          </div>
        </footer>
      </main>
    </>
  );
}
