"use client";
import { useCallback, useEffect, useReducer, useRef, useState } from "react";
import type { Document } from "@/core/resource/document";
import { merge, type Merged } from "@/core/resource/merge";
import { saveDraft } from "@/screens/acts/adapt";
import { desk } from "./open-desks";
import { hasPast, keepPast } from "../changes/kept-past";

/** What has become of the newest change. */
export type SaveState =
  { kind: "saved"; at: Date | null } | { kind: "waiting" } | { kind: "saving" } | { kind: "failed"; problem: string };

/** Another window, or a colleague, saved meanwhile; what was taken from there, and what both changed. */
export interface Met extends Pick<Merged, "taken" | "takenFields" | "conflicts"> {
  theirs: Document;
}

interface History {
  past: Document[];
  now: Document;
  future: Document[];
  /** Changes of one kind in a row (typing in one field) are one step of undo. */
  lastKind: string | null;
}

/** A new document, or how to make one of whatever it is by then. */
export type DocumentChange = Document | ((now: Document) => Document);

type Move =
  | { type: "change"; to: DocumentChange; kind: string | null }
  /** Somebody else's save is taken into what is there, and into every state undo can go back to. */
  | { type: "meet"; base: Document; theirs: Document }
  | { type: "undo" }
  | { type: "redo" }
  /** What this window knew of the past before it was read again. */
  | { type: "recall"; past: Document[]; future: Document[] };

const LONGEST_PAST = 200;

function step(history: History, move: Move): History {
  const { past, now, future } = history;
  switch (move.type) {
    case "change": {
      const to = typeof move.to === "function" ? move.to(now) : move.to;
      if (to === now) return history;
      const joins = move.kind !== null && move.kind === history.lastKind;
      return { past: joins ? past : [...past, now].slice(-LONGEST_PAST), now: to, future: [], lastKind: move.kind };
    }
    case "meet": {
      const met = (document: Document) => merge(move.base, document, move.theirs).document;
      return { past: past.map(met), now: met(now), future: future.map(met), lastKind: null };
    }
    case "recall":
      return past.length === 0 && future.length === 0 ? { ...history, past: move.past, future: move.future } : history;
    case "undo":
      return past.length === 0
        ? history
        : { past: past.slice(0, -1), now: past.at(-1)!, future: [now, ...future], lastKind: null };
    case "redo":
      return future.length === 0
        ? history
        : { past: [...past, now], now: future[0]!, future: future.slice(1), lastKind: null };
  }
}

const PAUSE_MS = 700;
const RETRY_MS = 5_000;

/**
 * The document being made: changes with undo and redo, saved by itself a moment after each. `counter` is the draft's
 * counter when the page was read; somebody else's save since then is never overwritten.
 */
export function useDraft(resource: number, start: Document, counter: number) {
  // Leaving the page and coming back (Back too) goes on with what this window knows, however old the page is.
  const [opened] = useState(() => desk(resource, start, counter));
  const known = useRef(opened);
  const [history, move] = useReducer(step, { past: [], now: opened.newest, future: [], lastKind: null });
  const [state, setState] = useState<SaveState>({ kind: "saved", at: null });
  // The document the server has: anything newer is still waiting, whatever was saved before.
  const [kept, setKept] = useState(opened.saved);
  const [met, setMet] = useState<Met | null>(null);
  const again = useRef<() => Promise<boolean>>(() => Promise.resolve(false));

  const saveOnce = useCallback(async (): Promise<boolean> => {
    const document = known.current.newest;
    if (document === known.current.saved) return true;
    setState({ kind: "saving" });
    let outcome: Awaited<ReturnType<typeof saveDraft>>;
    try {
      outcome = await saveDraft({ resource, seen: known.current.seen, document });
    } catch {
      setState({
        kind: "failed",
        problem: "No connection. It is safe in this window and will be saved when you are back online.",
      });
      return false;
    }
    if (!outcome.ok) {
      setState({ kind: "failed", problem: outcome.problem });
      return false;
    }
    if (outcome.value.conflict) {
      const { document: theirs, counter: theirCounter } = outcome.value;
      const base = known.current.saved;
      const merged = merge(base, known.current.newest, theirs);
      known.current.seen = theirCounter;
      known.current.saved = theirs;
      known.current.newest = merged.document;
      setKept(theirs);
      setMet({ ...merged, theirs });
      move({ type: "meet", base, theirs });
      return again.current();
    }
    known.current.seen = outcome.value.counter;
    known.current.saved = document;
    setKept(document);
    setState(known.current.newest === document ? { kind: "saved", at: new Date() } : { kind: "waiting" });
    return true;
  }, [resource]);

  useEffect(() => void (again.current = saveOnce), [saveOnce]);

  /** Saves what is there now; true when everything is saved. One save at a time. */
  const flush = useCallback(async (): Promise<boolean> => {
    while (known.current.running) await known.current.running;
    known.current.running = saveOnce().finally(() => (known.current.running = null));
    return known.current.running;
  }, [saveOnce]);

  useEffect(() => {
    known.current.newest = history.now;
    if (history.now === known.current.saved) return;
    const timer = setTimeout(() => void flush(), state.kind === "failed" ? RETRY_MS : PAUSE_MS);
    return () => clearTimeout(timer);
  }, [history.now, state.kind, flush]);

  // Anyone who leaves within the pause has written all the same.
  useEffect(() => {
    const { current } = known;
    return () => {
      if (current.newest !== current.saved) void again.current();
    };
  }, []);

  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      if (known.current.newest !== known.current.saved) event.preventDefault();
    };
    window.addEventListener("beforeunload", warn);
    return () => window.removeEventListener("beforeunload", warn);
  }, []);

  // The past outlives a reload: it is put down as the page goes, and taken up when the document is still the same.
  useEffect(() => {
    if (!hasPast(resource)) return;
    void import("../changes/read-past").then(({ readPast }) => {
      const past = readPast(resource, opened.newest);
      if (past) move({ type: "recall", ...past });
    });
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, as the page opens
  }, []);
  const whole = useRef(history);
  useEffect(() => {
    whole.current = history;
  }, [history]);
  useEffect(() => {
    const put = () => keepPast(resource, whole.current);
    window.addEventListener("pagehide", put);
    return () => {
      window.removeEventListener("pagehide", put);
      put();
    };
  }, [resource]);

  const change = useCallback(
    (to: DocumentChange, kind: string | null = null) => move({ type: "change", to, kind }),
    [],
  );
  const shown: SaveState = state.kind === "saved" && history.now !== kept ? { kind: "waiting" } : state;
  return {
    document: history.now,
    change,
    undo: history.past.length > 0 ? () => move({ type: "undo" }) : null,
    redo: history.future.length > 0 ? () => move({ type: "redo" }) : null,
    state: shown,
    flush,
    seen: () => known.current.seen,
    /** What was saved last has been published: that counts as a save. */
    published: (counter: number) => void (known.current.seen = counter),
    met,
    seenMet: () => setMet(null),
  };
}
