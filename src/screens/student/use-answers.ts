"use client";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { ResponseValue } from "@/core/question/question";
import { SEEN } from "../offline/names";
import { AnswerQueue, type AnswerPlace, type SendState, type Sent } from "./answer-queue";

export type KeepState = SendState | "sending";

const PAUSE_MS = 500;
const RETRY_MS = 4_000;
/** How often the answers are read again when something is answered meanwhile. */
const MOST_READINGS = 3;

type Values = Record<string, ResponseValue>;

/** What was answered since the application was opened: Back may show a page from before the answers were given. */
const answeredHere = new Map<string, Values>();

/** The same over a closed lid: a page that is kept on the device is older than what was sent after it was kept. */
function remember(here: string, values: Values): void {
  try {
    localStorage.setItem(SEEN + here, JSON.stringify(values));
  } catch {
    // Without room for it the page that is kept is shown as it was kept.
  }
}
function remembered(here: string): Values {
  try {
    return JSON.parse(localStorage.getItem(SEEN + here) ?? "{}") as Values;
  } catch {
    return {};
  }
}

/**
 * A student's answers. Each is kept on the device the moment it is given and sent soon after; it leaves the device's
 * list only when the server has said that it is kept. A closed lid or a dropped network loses nothing, and of two devices
 * the answer that was written last counts on both.
 */
export function useAnswers(place: AnswerPlace, start: Values, open: boolean) {
  const { student, assignment, recipient, number } = place;
  const queue = useMemo(
    () => new AnswerQueue({ student, assignment, recipient, number }),
    [student, assignment, recipient, number],
  );
  const here = `${recipient}-${number}`;
  const [values, setValues] = useState(() => (open ? { ...start, ...answeredHere.get(here) } : start));
  const [state, setState] = useState<KeepState>("kept");
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  /** By question, the key of what was answered last on this page. */
  const latest = useRef(new Map<string, string>());
  /** Whether trying again by itself may help. */
  const mayRetry = useRef(true);
  /** Counts what changes the answers, so that what was read meanwhile is known to be old. */
  const changes = useRef(0);

  const show = useCallback(
    (shown: Values) => {
      const all = { ...answeredHere.get(here), ...shown };
      answeredHere.set(here, all);
      if (Object.keys(shown).length > 0) remember(here, { ...remembered(here), ...shown });
      setValues((old) => ({ ...old, ...shown }));
    },
    [here],
  );

  const settle = useCallback(
    (sent: Sent) => {
      changes.current += 1;
      if (Object.keys(sent.newer).length > 0) show(sent.newer);
      mayRetry.current = sent.state === "waiting" || sent.state === "kept";
      setState(sent.state);
    },
    [show],
  );

  /** Sends everything that waits; says what came of it. */
  const flush = useCallback(async (): Promise<SendState> => {
    clearTimeout(timer.current);
    if (queue.items.length > 0) setState("sending");
    const sent = await queue.send();
    settle(sent);
    return sent.state;
  }, [queue, settle]);

  const answer = useCallback(
    (question: string, value: ResponseValue) => {
      const item = queue.add(question, value);
      latest.current.set(question, item.key);
      changes.current += 1;
      show({ [question]: item.value });
      setState("sending");
      clearTimeout(timer.current);
      timer.current = setTimeout(() => void flush(), PAUSE_MS);
    },
    [flush, queue, show],
  );

  /** What the server has now: Back and a second device may show a page that is older. */
  const readAgain = useCallback(async () => {
    for (let reading = 0; reading < MOST_READINGS; reading += 1) {
      const before = changes.current;
      const response = await fetch(`/student/${assignment}/responses?recipient=${recipient}&number=${number}`).catch(
        () => null,
      );
      // No network: what this device has seen is newer than a page it has kept.
      if (!response) return show(remembered(here));
      if (!response.ok) return;
      const read = (await response.json()) as { values: Values };
      // Something was answered or sent meanwhile: what was read may be from before.
      if (changes.current !== before) continue;
      const waiting = new Set(queue.items.map(({ question }) => question));
      show(Object.fromEntries(Object.entries(read.values).filter(([question]) => !waiting.has(question))));
      return;
    }
  }, [assignment, recipient, number, here, queue, show]);

  useEffect(() => {
    if (!open) return;
    if (queue.items.length > 0) {
      // What a closed lid left behind: only the device knows it, and only after it has loaded.
      // eslint-disable-next-line react-hooks/set-state-in-effect
      show({
        ...(navigator.onLine ? {} : remembered(here)),
        ...Object.fromEntries(queue.items.map((item) => [item.question, item.value])),
      });
      void flush();
    } else void readAgain();
    const again = () => void flush();
    const hidden = () => document.visibilityState === "hidden" && void flush();
    const retry = setInterval(() => mayRetry.current && queue.items.length > 0 && void flush(), RETRY_MS);
    window.addEventListener("online", again);
    document.addEventListener("visibilitychange", hidden);
    return () => {
      clearInterval(retry);
      clearTimeout(timer.current);
      window.removeEventListener("online", again);
      document.removeEventListener("visibilitychange", hidden);
      // Anyone who leaves within the pause has answered all the same.
      if (queue.items.length > 0) void queue.send();
    };
  }, [open, here, queue, flush, readAgain, show]);

  /** What of a question was answered last on this page: to be checked, and to know whether it is still the same. */
  const current = useCallback((question: string) => latest.current.get(question), []);
  /** How long ago that was written, in milliseconds. */
  const ageOf = useCallback(
    (key: string | undefined) => {
      const item = queue.items.find((one) => one.key === key);
      return item ? Math.max(0, Date.now() - item.at) : 0;
    },
    [queue],
  );
  /** What of a question left before the answer that is checked now. */
  const leave = useCallback((question: string, key: string) => queue.leave(question, key), [queue]);
  /** A checked answer was kept by the check itself: that one need not be sent again. */
  const settleChecked = useCallback(
    (key: string | undefined) => {
      if (key) queue.settle([key]);
      changes.current += 1;
      if (queue.items.length === 0) setState("kept");
    },
    [queue],
  );
  return {
    values,
    answer,
    flush,
    state,
    noRoom: () => queue.items.length > 0 && !queue.remembered,
    current,
    ageOf,
    leave,
    settleChecked,
  };
}
