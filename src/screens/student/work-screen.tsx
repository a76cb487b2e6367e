"use client";
import { ArrowLeft, ArrowRight, Check, CloudOff, Home, Hourglass, Loader2, Users } from "lucide-react";
import { clsx } from "clsx";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useMemo, useRef, useState, useTransition } from "react";
import { formatForChildren } from "@/core/calendar/format-moment";
import { questionsOf, titleOf, withQuestions, type Step } from "@/core/resource/document";
import type { Question } from "@/core/question/question";
import { isBlankResponse, type Mark } from "@/core/question/mark";
import { checkAnswer, handIn, tryAgain } from "@/screens/acts/student";
import type { StudentWorkData } from "@/server/student/student-work";
import { nativeLanguageName } from "../media/native-language-name";
import { WorkPlaceProvider } from "../media/work-place";
import { useReadingLanguage } from "./use-reading-language";
import { BeforeHandIn } from "../step/before-hand-in";
import { StepDots } from "../step/step-dots";
import { StepView } from "../step/step-view";
import { Postmark } from "./postmark";
import { ReadToMe } from "../step/read-to-me";
import { SendWaiting } from "./send-waiting";
import { useAnswers, type KeepState } from "./use-answers";
import { useLimits } from "./use-limits";

const keptSigns: Record<KeepState, { icon: typeof Check; text: string }> = {
  kept: { icon: Check, text: "Kept" },
  sending: { icon: Loader2, text: "Saving …" },
  waiting: { icon: CloudOff, text: "Kept here. No network yet" },
  "kept aside": { icon: Hourglass, text: "Time is up. Kept for your teacher" },
  "signed out": { icon: CloudOff, text: "Kept here, not sent" },
  "called back": { icon: CloudOff, text: "Kept here, not sent" },
  "handed in": { icon: CloudOff, text: "Kept here, not sent" },
  "not open": { icon: CloudOff, text: "Kept here, not sent" },
};

/** Said where it cannot be sent, and trying again is of no use: what happened, what was kept, what to do. */
const whyNotSent: Partial<Record<KeepState, string>> = {
  "signed out": "You are signed out. What you wrote is kept on this device: sign in again and it is sent.",
  "called back": "Your teacher has taken this back. What you wrote is kept on this device. Ask your teacher.",
  "handed in":
    "This was handed in already, on another device perhaps. What you wrote since then is kept on this device only.",
  "not open": "This is not open now. What you wrote is kept on this device. Ask your teacher.",
  "kept aside": "This closed while you worked. Your teacher sees what you wrote since, and decides if it counts.",
};

function KeptSign({ state }: { state: KeepState }) {
  const { icon: Icon, text } = keptSigns[state];
  return (
    <p role="status" className="flex items-center gap-1.5 text-[14px] text-ink-soft">
      <Icon size={16} aria-hidden className={clsx("shrink-0", state === "sending" && "animate-spin")} /> {text}
    </p>
  );
}

function Ending({ data, zone, now, onBack }: { data: StudentWorkData; zone: string; now: Date; onBack: () => void }) {
  const router = useRouter();
  const [busy, start] = useTransition();
  const [problem, setProblem] = useState<string | null>(null);
  const marks = data.marks ? Object.values(data.marks) : [];
  const ruled = marks.filter((mark) => mark.marks !== null);
  const earned = Math.round(ruled.reduce((sum, mark) => sum + mark.marks!, 0) * 100) / 100;
  const again = () =>
    start(async () => {
      const outcome = await tryAgain({ assignment: data.task.assignment });
      if (outcome.ok) router.refresh();
      else setProblem(outcome.problem);
    });
  return (
    <div className="grid justify-items-center gap-4 rounded-card border-2 border-line bg-card p-8 text-center">
      <Postmark at={data.attempt!.handedIn!} zone={zone} now={now} size={110} />
      <h2 className="text-2xl font-bold">Handed in</h2>
      {ruled.length > 0 && (
        <p className="numbers text-xl">
          {earned} of {ruled.reduce((sum, mark) => sum + mark.outOf, 0)}
        </p>
      )}
      {data.hidden ? (
        <p>Use your own card to see your answers and how it went.</p>
      ) : (
        <>
          {data.marksFrom && (
            <p>You will see how it went {formatForChildren(data.marksFrom, zone, now)}, when it is due for everyone.</p>
          )}
          {marks.length === 0 && !data.marksFrom && <p>{data.task.teacher} looks at it.</p>}
        </>
      )}
      {problem && <p role="alert">{problem}</p>}
      <div className="flex flex-wrap justify-center gap-3">
        {!data.hidden && (
          <button type="button" onClick={onBack} className="min-h-12 rounded-card border-2 border-line px-5 font-bold">
            Look at my answers
          </button>
        )}
        {data.triesLeft && (
          <button
            type="button"
            disabled={busy}
            onClick={again}
            className="min-h-12 rounded-card border-2 border-line px-5 font-bold"
          >
            Try again
          </button>
        )}
        <Link
          href="/student"
          className="grid min-h-12 place-items-center rounded-card bg-green px-6 font-bold text-on-green"
        >
          My work
        </Link>
      </div>
    </div>
  );
}

const workForChildren = { pairs: "In twos", groups: "In your group", class: "All together" } as const;

/** One thing at a time: a step, its questions, on to the next; at the end it is handed in. */
export function StudentWorkScreen({
  data,
  student,
  zone,
  now,
}: {
  data: StudentWorkData;
  student: number;
  zone: string;
  now: Date;
}) {
  const { task, document, attempt } = data;
  const { steps } = document;
  const [reads, setReads] = useReadingLanguage(document.languages);
  const languages = [reads, ...document.languages.filter((one) => one !== reads)];
  const readOnly = Boolean(attempt?.handedIn);
  const tryNumber = attempt && !attempt.handedIn ? attempt.number : (attempt?.number ?? 0) + 1;
  const place = { student, assignment: task.assignment, recipient: task.recipient, number: tryNumber };
  const answers = useAnswers(place, data.values, !readOnly);
  const [marks, setMarks] = useState<Record<string, Mark | undefined>>(data.marks ?? {});
  const [feedback, setFeedback] = useState<Record<string, Question["feedback"]>>({});
  const [checking, setChecking] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [handing, start] = useTransition();
  const router = useRouter();
  const top = useRef<HTMLDivElement>(null);
  const workPlace = useMemo(
    () => ({ filesTo: `/student/${task.assignment}/file`, remember: `${task.recipient}-${tryNumber}` }),
    [task.assignment, task.recipient, tryNumber],
  );

  const { flush } = answers;
  const onLimit = useMemo(() => ({ over: () => void flush(), problem: setProblem }), [flush]);
  const limits = useLimits(task.assignment, data.limits, onLimit);

  /** A question whose time is over asks nothing more. */
  const answered = (question: Question) =>
    !isBlankResponse(question.type, answers.values[question.id]) || limits.over(question);
  const done = (step: Step) => {
    const questions = questionsOf(step);
    return questions.length > 0 && questions.every(answered);
  };
  const firstOpen = steps.findIndex((step) => questionsOf(step).length > 0 && !done(step));
  const [at, setAt] = useState(() =>
    readOnly ? steps.length : Object.keys(data.values).length === 0 ? 0 : Math.max(0, firstOpen),
  );
  const step = steps[at];

  const go = (to: number) => {
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
        assignment: task.assignment,
        question: question.id,
        key,
        value: answers.values[question.id],
        age: answers.ageOf(asked),
        after: answers.leave(question.id, key),
      });
      if (!outcome.ok) return setProblem(outcome.problem);
      answers.settleChecked(asked);
      setProblem(null);
      // Changed while it was being checked: what came back is about another answer.
      if (answers.current(question.id) !== asked) return;
      setMarks((old) => ({ ...old, [question.id]: outcome.value.mark }));
      const said = outcome.value.feedback;
      setFeedback((old) => ({ ...old, [question.id]: said }));
    } catch {
      setProblem("No network just now. Your answer is kept; check it later.");
    } finally {
      setChecking(null);
    }
  };
  const hand = () =>
    start(async () => {
      const sent = await answers.flush();
      if (sent !== "kept" && whyNotSent[sent]) return setProblem(null);
      if (sent !== "kept")
        return setProblem(
          "Some answers are not sent yet. They are kept on this device. Try again when the network is back.",
        );
      const outcome = await handIn({ assignment: task.assignment });
      if (outcome.ok) router.refresh();
      else setProblem(outcome.problem);
    });

  // After handing in, the page is read again with the marks; show the end then.
  const [wasStill, setWasStill] = useState(readOnly);
  if (readOnly !== wasStill) {
    setWasStill(readOnly);
    setMarks(data.marks ?? {});
    setAt(steps.length);
  }

  const told = (question: Question): Question =>
    feedback[question.id] ? { ...question, feedback: feedback[question.id] } : question;
  const shown: Step | undefined = step && withQuestions(limits.opened(step), told);
  return (
    <main className="finger-size mx-auto max-w-3xl px-4 pt-3 pb-28 font-child text-[17px]">
      <header className="flex items-center gap-3">
        <Link
          href="/student"
          aria-label="My work"
          className="grid h-12 w-12 place-items-center rounded-card border-2 border-line bg-card"
        >
          <Home size={20} aria-hidden />
        </Link>
        <div className="min-w-0 flex-1">
          <h1 className="truncate font-bold" title={titleOf(document)}>
            {titleOf(document)}
          </h1>
          <p className="truncate text-[14px] text-ink-soft">until {formatForChildren(task.due, zone, now)}</p>
        </div>
        {document.languages.length > 1 && (
          <select
            aria-label="Language"
            value={reads}
            onChange={(event) => setReads(event.target.value)}
            className="min-h-12 rounded-card border-2 border-line bg-card px-2"
          >
            {document.languages.map((one) => (
              <option key={one} value={one}>
                {nativeLanguageName(one)}
              </option>
            ))}
          </select>
        )}
        {shown && <ReadToMe key={`${shown.id} ${reads}`} step={shown} languages={languages} />}
      </header>
      <StepDots steps={steps} at={at} done={done} onPick={go} languages={languages} />
      <div ref={top} tabIndex={-1} className="outline-none">
        {shown ? (
          <div className="rounded-card border border-line bg-card p-5 sm:p-7">
            {shown.work !== "alone" && (
              <p className="mb-3 inline-flex items-center gap-2 rounded-card bg-shade px-3 py-1 font-bold">
                <Users size={18} aria-hidden /> {workForChildren[shown.work]}
              </p>
            )}
            <WorkPlaceProvider value={workPlace}>
              <StepView
                key={shown.id}
                step={shown}
                languages={languages}
                values={answers.values}
                marks={marks}
                onChange={(question, value) => {
                  answers.answer(question.id, value);
                  setMarks((old) => ({ ...old, [question.id]: undefined }));
                }}
                mayCheck={readOnly ? undefined : (question) => data.mayCheck.includes(question.id)}
                onCheck={readOnly ? undefined : (question) => void check(question)}
                checking={checking}
                readOnly={readOnly}
                limits={readOnly ? undefined : limits.forSteps}
              />
            </WorkPlaceProvider>
          </div>
        ) : readOnly ? (
          <Ending data={data} zone={zone} now={now} onBack={() => go(0)} />
        ) : (
          <BeforeHandIn {...{ steps, languages, answered }} busy={handing} onGo={go} onHandIn={hand} />
        )}
        {(problem || whyNotSent[answers.state]) && (
          <p role="alert" className="mt-3 rounded-card bg-clay-wash px-4 py-3 font-bold text-clay">
            {problem ?? whyNotSent[answers.state]}
          </p>
        )}
        <SendWaiting student={student} except={task.assignment} />
      </div>
      <footer className="fixed inset-x-0 bottom-0 border-t border-line bg-paper">
        <div className="mx-auto flex max-w-3xl items-center gap-3 px-4 py-2.5">
          <button
            type="button"
            disabled={at === 0}
            onClick={() => go(at - 1)}
            className="inline-flex min-h-12 items-center gap-2 rounded-card border-2 border-line bg-card px-4 font-bold disabled:opacity-40"
          >
            <ArrowLeft size={20} aria-hidden /> Back
          </button>
          <div className="flex-1">{!readOnly && <KeptSign state={answers.state} />}</div>
          {at < steps.length && (
            <button
              type="button"
              onClick={() => go(at + 1)}
              className="inline-flex min-h-12 items-center gap-2 rounded-card border-2 border-green bg-green px-5 font-bold text-on-green"
            >
              {at === steps.length - 1 ? "To the end" : "Next"} <ArrowRight size={20} aria-hidden />
            </button>
          )}
        </div>
      </footer>
    </main>
  );
}
