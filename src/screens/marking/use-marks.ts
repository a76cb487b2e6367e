"use client";
import { useEffect, useRef, useState } from "react";
import type { Levels } from "@/core/marking/rubric";
import { giveMark, withdrawMark } from "@/screens/acts/marking";
import type { Marking } from "@/server/marking/marking";
import { tell, tellProblem } from "@/ui/toast";

/** One answer that is marked. */
export interface MarkedAnswer {
  student: number;
  number: number;
  question: string;
}

/** What a marker has given for an answer, or is giving. */
export interface Draft {
  levels: Levels;
  marks: number | null;
  comment: string;
  /** Marks given by another rubric, or by marks where it is a rubric now: they stand until she marks it again. */
  before: { marks: number; outOf: number } | null;
}

const empty: Draft = { levels: {}, marks: null, comment: "", before: null };
/** What is typed is kept when the keys rest for this long. */
const REST_MS = 900;

const keyOf = ({ student, number, question }: MarkedAnswer) => `${student} ${number} ${question}`;

/** Whether there is anything in it. */
const isEmpty = ({ levels, marks, comment, before }: Draft): boolean =>
  Object.keys(levels).length === 0 && marks === null && before === null && comment.trim() === "";

/** The marks this teacher gives: shown at once, kept one after another, each undone by one press. */
export function useMarks(assignment: number, { me, standing, ways }: Marking) {
  const [drafts, setDrafts] = useState<ReadonlyMap<string, Draft & { rubric: number | null }>>(new Map());
  const [state, setState] = useState<"saved" | "saving" | "not saved">("saved");
  const current = useRef(drafts);
  const timers = useRef(new Map<string, { keep: () => void; cancel: () => void }>());
  const queue = useRef<Promise<unknown>>(Promise.resolve());
  const underWay = useRef(0);
  /** What did not reach the server, or was refused. */
  const unsaved = useRef(new Map<string, MarkedAnswer>());

  const rubricFor = ({ question }: MarkedAnswer) => ways[question]?.id ?? null;
  const kept = (answer: MarkedAnswer): Draft => {
    const there = standing.find((one) => keyOf(one) === keyOf(answer))?.all.find(({ by }) => by.id === me);
    if (!there) return empty;
    const { marks, outOf, comment } = there;
    if (marks !== null && there.rubric !== rubricFor(answer)) return { ...empty, comment, before: { marks, outOf } };
    return { ...empty, levels: there.levels ?? {}, marks, comment };
  };
  const from = (all: typeof drafts, answer: MarkedAnswer): Draft => {
    const draft = all.get(keyOf(answer));
    // The rubric was changed since: what is kept says what still stands.
    return draft && draft.rubric === rubricFor(answer) ? draft : kept(answer);
  };
  const of = (answer: MarkedAnswer): Draft => from(drafts, answer);
  const latest = (answer: MarkedAnswer): Draft => from(current.current, answer);
  const put = (answer: MarkedAnswer, draft: Draft) => {
    current.current = new Map(current.current).set(keyOf(answer), { ...draft, rubric: rubricFor(answer) });
    setDrafts(current.current);
  };

  /** One after another: what was pressed last is what stands. */
  const send = (answer: MarkedAnswer, draft: Draft) => {
    setState("saving");
    underWay.current += 1;
    const next = queue.current.then(async () => {
      const outcome = isEmpty(draft)
        ? await withdrawMark({ assignment, ...answer })
        : await giveMark({
            ...{ assignment, ...answer, rubric: rubricFor(answer) },
            ...{ levels: { ...draft.levels }, marks: draft.marks, comment: draft.comment },
            onlyWords: draft.before !== null,
          });
      underWay.current -= 1;
      if (outcome.ok) unsaved.current.delete(keyOf(answer));
      else {
        unsaved.current.set(keyOf(answer), answer);
        tellProblem(outcome.problem);
      }
      // What was typed or pressed meanwhile is still on its way.
      const more = timers.current.size > 0 || underWay.current > 0;
      setState(unsaved.current.size > 0 ? "not saved" : more ? "saving" : "saved");
    });
    queue.current = next;
    return next;
  };

  useEffect(() => {
    const waiting = timers.current;
    const keepAll = () => {
      for (const { keep } of [...waiting.values()]) keep();
    };
    window.addEventListener("pagehide", keepAll);
    return () => {
      window.removeEventListener("pagehide", keepAll);
      keepAll();
    };
  }, []);

  const say = (answer: MarkedAnswer, comment: string) => {
    const key = keyOf(answer);
    put(answer, { ...latest(answer), comment });
    setState("saving");
    timers.current.get(key)?.cancel();
    const keep = () => {
      timers.current.delete(key);
      clearTimeout(timer);
      void send(answer, latest(answer));
    };
    const timer = setTimeout(keep, REST_MS);
    timers.current.set(key, { keep, cancel: () => clearTimeout(timer) });
  };

  const give = (answer: MarkedAnswer, change: Partial<Draft>, said: (draft: Draft) => string | null) => {
    const before = latest(answer);
    const draft = { ...before, before: null, ...change };
    put(answer, draft);
    void send(answer, draft);
    const text = said(draft);
    if (text)
      tell(text, () => {
        // What was written since stays.
        const back = { ...before, comment: latest(answer).comment };
        put(answer, back);
        void send(answer, back);
      });
  };

  /** Sends again what was not saved. */
  const again = () => {
    for (const answer of [...unsaved.current.values()]) void send(answer, latest(answer));
  };

  return { of, say, give, again, state };
}
