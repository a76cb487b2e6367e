"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import { roomAfter, type Seated } from "@/core/live/room";
import type { LessonCommand } from "@/core/live/lesson";
import type { StepNote } from "@/data/live/step-notes";
import type { WatchedLesson, WatchEvent } from "@/server/live/watch-room";
import { tellProblem } from "@/ui/toast";
import { openEvents } from "../event-stream";
import { command } from "./command";
import { steadily } from "./use-lesson";

export interface Room {
  room: readonly Seated[];
  lesson: WatchedLesson | null;
  notes: readonly StepNote[];
  /** What is to be added to this device's clock for the server's. Milliseconds. */
  ahead: number;
  /** How often something was written on pages that groups share. */
  written: number;
  /** False: the line is lost; it is tried again by itself, and then the whole room is read anew. */
  there: boolean;
}

/** The room as a teacher sees it: as it was read, and what has happened since. */
export function useRoom(assignment: number, start: { room: readonly Seated[]; lesson: WatchedLesson | null }) {
  const [state, setState] = useState<Room>({ ...start, notes: [], ahead: 0, written: 0, there: true });
  useEffect(() => {
    const there = (line: boolean) => setState((old) => (old.there === line ? old : { ...old, there: line }));
    const heard = (data: string) => {
      const event = JSON.parse(data) as WatchEvent;
      setState((old) => {
        if (event.kind === "room")
          return { ...old, room: event.room, ahead: steadily(old.ahead, event.now - Date.now()) };
        if (event.kind === "page") return { ...old, written: old.written + 1 };
        if (event.kind === "notes") return { ...old, notes: event.notes };
        if (event.kind === "lesson") {
          // What an act of hers brought back already may be newer than what was on its way.
          const older = event.lesson && old.lesson && event.lesson.version < old.lesson.version;
          return { ...old, lesson: older ? old.lesson : event.lesson };
        }
        return { ...old, room: roomAfter(old.room, event) };
      });
    };
    return openEvents(`/lead/${assignment}/live`, { heard, there });
  }, [assignment]);

  /** Does something for all screens. What comes back is shown at once; why not is told. */
  const last = useRef<Promise<unknown>>(Promise.resolve());
  const lead = useCallback(
    (asked: LessonCommand): Promise<boolean> => {
      const send = async () => {
        const obeyed = await command(assignment, asked);
        if ("problem" in obeyed) {
          tellProblem(obeyed.problem);
          return false;
        }
        setState((old) =>
          old.lesson && old.lesson.version < obeyed.version ? { ...old, lesson: { ...old.lesson, ...obeyed } } : old,
        );
        return true;
      };
      // One after another: what was pressed last is what stands.
      const sent = last.current.then(send);
      last.current = sent;
      return sent;
    },
    [assignment],
  );
  return { ...state, lead };
}
