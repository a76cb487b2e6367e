"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import { useRouter } from "next/navigation";
import type { StepNote } from "@/data/live/step-notes";
import { openEvents } from "../event-stream";
import type { FollowEvent, ShownBar } from "@/server/live/lesson-view";

type FollowedLesson = Extract<FollowEvent, { kind: "lesson" }>["lesson"];
export type PageEvent = Extract<FollowEvent, { kind: "page" }>;
export type Point = Extract<FollowEvent, { kind: "point" }>;

/** How a lesson stands on a screen that follows it. */
export interface Followed {
  /** Null: nobody leads. */
  lesson: FollowedLesson;
  /** What is to be added to this device's clock for the server's. Milliseconds. */
  ahead: number;
  /** The chart that is shown; null: none. */
  bars: { question: string; bars: readonly ShownBar[]; answered: number } | null;
  point: Point | null;
  /** What the teacher and this child have written each other, and whether another may be written. */
  notes: readonly StepNote[];
  mayWrite: boolean;
  /** The teacher sees that this child needs help. */
  asked: boolean;
  /** False: the line is lost; it is tried again by itself. */
  there: boolean;
}

const nothing: Followed = {
  lesson: null,
  ahead: 0,
  bars: null,
  point: null,
  notes: [],
  mayWrite: false,
  asked: false,
  there: true,
};
/** The way here takes now longer, now shorter: only a clock that is really another is put right. */
const ENOUGH_MS = 700;
export const steadily = (before: number, measured: number): number =>
  Math.abs(measured - before) < ENOUGH_MS ? before : measured;

/** What is pointed at is forgotten after a moment. */
const POINT_MS = 1_600;

/** Follows the lesson told at an address. What changed about the work itself reads the page again. */
export function useLesson(address: string): {
  followed: Followed;
  setAsked: (asked: boolean) => void;
  /** Hears what is written on pages that are shared, until the returned function is called. */
  onPage: (heard: (event: PageEvent) => void) => () => void;
} {
  const pages = useRef(new Set<(event: PageEvent) => void>());
  const router = useRouter();
  const [followed, setFollowed] = useState(nothing);
  useEffect(() => {
    let fading: ReturnType<typeof setTimeout> | undefined;
    const heard = (data: string) => {
      const event = JSON.parse(data) as FollowEvent;
      switch (event.kind) {
        case "lesson":
          return setFollowed((old) => ({
            ...old,
            // One that was read while another was told may be older.
            lesson: event.lesson && old.lesson && event.lesson.version < old.lesson.version ? old.lesson : event.lesson,
            ahead: steadily(old.ahead, event.now - Date.now()),
            bars: event.lesson?.shown?.chart && old.bars?.question === event.lesson.shown.question ? old.bars : null,
          }));
        case "bars":
          return setFollowed((old) => ({ ...old, bars: event }));
        case "point":
          clearTimeout(fading);
          fading = setTimeout(() => setFollowed((old) => ({ ...old, point: null })), POINT_MS);
          return setFollowed((old) => ({ ...old, point: event }));
        case "notes":
          return setFollowed((old) => ({ ...old, notes: event.notes, mayWrite: event.allowed }));
        case "asked":
          return setFollowed((old) => ({ ...old, asked: event.asked }));
        case "page":
          return pages.current.forEach((tell) => tell(event));
        case "work":
          return router.refresh();
      }
    };
    const there = (line: boolean) => {
      setFollowed((old) => (old.there === line ? old : { ...old, there: line }));
      // What was written while the line was lost is to be read.
      if (line) pages.current.forEach((tell) => tell({ kind: "page", page: null, step: null, by: null, change: null }));
    };
    const stop = openEvents(address, { heard, there });
    return () => {
      clearTimeout(fading);
      stop();
    };
  }, [address, router]);
  const setAsked = useCallback((asked: boolean) => setFollowed((old) => ({ ...old, asked })), []);
  const onPage = useCallback((tell: (event: PageEvent) => void) => {
    const all = pages.current.add(tell);
    return () => void all.delete(tell);
  }, []);
  return { followed, setAsked, onPage };
}
