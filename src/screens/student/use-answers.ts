"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import type { ResponseValue } from "@/core/resource/question";

export type KeepState = "kept" | "sending" | "waiting";

interface Pending {
  key: string;
  question: string;
  value: ResponseValue;
}

const PAUSE_MS = 500;
const RETRY_MS = 4_000;
const KEEPALIVE_LIMIT = 60_000;

function readPending(place: string): Pending[] {
  try {
    const stored: unknown = JSON.parse(localStorage.getItem(place) ?? "[]");
    return Array.isArray(stored) ? (stored as Pending[]) : [];
  } catch {
    return [];
  }
}

function writePending(place: string, pending: readonly Pending[]): void {
  try {
    if (pending.length > 0) localStorage.setItem(place, JSON.stringify(pending));
    else localStorage.removeItem(place);
  } catch {
    // A device without storage still sends; it only cannot remember over a closed lid.
  }
}

/**
 * A student's answers. Each is kept on the device the moment it is given and sent soon after; it leaves the device's
 * list only when the server has said that it is kept. A closed lid or a dropped network loses nothing.
 */
export function useAnswers(assignment: number, attempt: string, start: Record<string, ResponseValue>, open: boolean) {
  const place = `satchel-answers-${attempt}`;
  const [values, setValues] = useState(start);
  const [state, setState] = useState<KeepState>("kept");
  const [closed, setClosed] = useState(false);
  const pending = useRef<Pending[]>([]);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const sending = useRef<Promise<void> | null>(null);

  const sendOnce = useCallback(async () => {
    const items = pending.current;
    if (items.length === 0) return;
    setState("sending");
    const body = JSON.stringify({ items });
    try {
      const response = await fetch(`/student/${assignment}/responses`, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body,
        // Goes on while the page closes; browsers allow that for small bodies only.
        keepalive: body.length < KEEPALIVE_LIMIT,
      });
      if (response.status === 409) {
        pending.current = [];
        writePending(place, []);
        setClosed(true);
        return;
      }
      if (!response.ok) throw new Error(String(response.status));
      const { kept, refused } = (await response.json()) as { kept: string[]; refused: string[] };
      const settled = new Set([...kept, ...refused]);
      pending.current = pending.current.filter((item) => !settled.has(item.key));
      writePending(place, pending.current);
      setState(pending.current.length === 0 ? "kept" : "waiting");
    } catch {
      setState("waiting");
    }
  }, [assignment, place]);

  /** Sends everything that waits; true when nothing waits any more. */
  const flush = useCallback(async (): Promise<boolean> => {
    clearTimeout(timer.current);
    while (sending.current) await sending.current;
    sending.current = sendOnce().finally(() => (sending.current = null));
    await sending.current;
    return pending.current.length === 0;
  }, [sendOnce]);

  const answer = useCallback(
    (question: string, value: ResponseValue) => {
      setValues((old) => ({ ...old, [question]: value }));
      pending.current = [
        ...pending.current.filter((item) => item.question !== question),
        { key: crypto.randomUUID(), question, value },
      ];
      writePending(place, pending.current);
      setState("sending");
      clearTimeout(timer.current);
      timer.current = setTimeout(() => void flush(), PAUSE_MS);
    },
    [flush, place],
  );

  useEffect(() => {
    if (!open) return;
    // What a closed lid left behind on this device is newer than what the server knew.
    const left = readPending(place);
    if (left.length > 0) {
      pending.current = left;
      // eslint-disable-next-line react-hooks/set-state-in-effect -- only the device knows these, and only after it has loaded
      setValues((old) => ({ ...old, ...Object.fromEntries(left.map((item) => [item.question, item.value])) }));
      void flush();
    }
    const again = () => void flush();
    const hidden = () => document.visibilityState === "hidden" && void flush();
    const retry = setInterval(() => pending.current.length > 0 && !sending.current && void flush(), RETRY_MS);
    window.addEventListener("online", again);
    document.addEventListener("visibilitychange", hidden);
    return () => {
      clearInterval(retry);
      clearTimeout(timer.current);
      window.removeEventListener("online", again);
      document.removeEventListener("visibilitychange", hidden);
    };
  }, [open, place, flush]);

  /** A checked answer was kept by the check itself: it need not be sent again. */
  const settle = useCallback(
    (question: string) => {
      pending.current = pending.current.filter((item) => item.question !== question);
      writePending(place, pending.current);
      if (pending.current.length === 0) setState("kept");
    },
    [place],
  );
  return { values, answer, flush, settle, state, closed };
}
