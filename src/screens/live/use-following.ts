"use client";
import { useCallback, useEffect, useMemo, useState } from "react";
import { followed as followedBy } from "@/core/live/lesson";
import type { Step } from "@/core/resource/document";
import type { FilmPlace } from "./film-place";
import { useLesson } from "./use-lesson";

async function say(assignment: number, what: object): Promise<boolean> {
  const response = await fetch(`/student/${assignment}/place`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(what),
  }).catch(() => null);
  return response?.ok ?? false;
}

/**
 * A student's screen in a lesson: where it is held, how far it may turn, what it tells the teacher. Without a lesson it turns as it
 * likes, and still says which step is open, for a teacher who watches.
 */
export function useFollowing(of: {
  assignment: number;
  steps: readonly Step[];
  readOnly: boolean;
  /** The step the student turned to, from 0. */
  own: number;
  onMoved: (at: number) => void;
}) {
  const { assignment, steps, readOnly, own, onMoved } = of;
  const { followed, setAsked, onPage } = useLesson(`/student/${assignment}/live`);
  const { lesson, ahead } = followed;
  const ids = useMemo(() => steps.map(({ id }) => id), [steps]);
  const follows = lesson && !readOnly ? followedBy(lesson, ids) : { at: null, upTo: steps.length };
  const held = follows.at !== null;
  const at = follows.at ?? Math.min(own, Math.max(follows.upTo, 0));
  // When she is let go she goes on from where the class was.
  if (held && own !== at) onMoved(at);

  const step = steps[at]?.id;
  useEffect(() => {
    if (held || readOnly || step === undefined) return;
    void say(assignment, { kind: "step", step });
  }, [assignment, held, readOnly, step]);

  // Who goes on has got on.
  const [askedOn, setAskedOn] = useState(step);
  if (askedOn !== step) {
    setAskedOn(step);
    setAsked(false);
  }
  const askForHelp = (now: boolean) => {
    setAsked(now);
    void say(assignment, { kind: "help", asked: now }).then((told) => told || setAsked(!now));
  };
  const quick = lesson?.quick?.id;
  const answerQuick = useCallback(
    (value: unknown) => say(assignment, { kind: "quick", question: quick, value }),
    [assignment, quick],
  );

  const sendNote = (text: string) =>
    step === undefined ? Promise.resolve(false) : say(assignment, { kind: "note", step, text });

  const running = lesson?.phase === "running" && lesson.pace !== "free";
  const here = !running || lesson.film === "every screen";
  const { block, from, at: since } = (running && here && lesson.playing) || { block: null, from: 0, at: 0 };
  const filmPlace = useMemo<FilmPlace>(
    () => ({ here, playing: block === null ? null : { block, from, at: since - ahead } }),
    [here, block, from, since, ahead],
  );
  return { followed, at, held, upTo: follows.upTo, askForHelp, answerQuick, sendNote, filmPlace, onPage };
}
