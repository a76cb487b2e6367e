"use client";
import { useEffect, useRef, useState } from "react";
import type { Finding } from "@/core/assign/finding";
import type { AssignForm, Opens } from "@/core/assign/form";
import type { Audience, AudienceClass } from "@/server/audience";
import { audienceFor, lookBeforeAssigning } from "@/server/actions/assign";

/** Whom and when something can be given to; null until it has arrived. */
export function useAudience(
  resources: readonly number[],
  like: number | null,
): { audience: Audience | null; problem: string | null } {
  const key = resources.join(",");
  const [got, setGot] = useState<{ key: string; audience: Audience | null; problem: string | null }>();
  useEffect(() => {
    let asked = true;
    void audienceFor({ resources: key.split(",").map(Number), ...(like !== null && { like }) }).then((outcome) => {
      if (!asked) return;
      setGot({
        key,
        audience: outcome.ok ? outcome.value : null,
        problem: outcome.ok ? null : outcome.problem,
      });
    });
    return () => {
      asked = false;
    };
  }, [key, like]);
  return got?.key === key ? got : { audience: null, problem: null };
}

const firstOpening = (group: AudienceClass | undefined): Opens => {
  const [next] = group?.meetings ?? [];
  return next ? { kind: "place", date: next.date, period: next.period } : { kind: "now" };
};

/**
 * When work opens after other classes have been chosen: a lesson that was picked stays only for the one class that has it;
 * several classes have it at the next lesson of each.
 */
export function openingFor(audience: Audience, to: AssignForm["to"], opens: Opens): Opens {
  if (opens.kind !== "place" && opens.kind !== "meeting") return opens;
  const groups = audience.classes.filter(({ id }) => to.some((one) => one.class === id));
  const [only] = groups;
  if (groups.length > 1) return opens.kind === "meeting" ? opens : { kind: "meeting", n: 1 };
  if (!only) return opens;
  const has =
    opens.kind === "place" && only.meetings.some(({ date, period }) => date === opens.date && period === opens.period);
  return has ? opens : firstOpening(only);
}

/** The whole class on top, at its next lesson, due two school days later at 3: what is meant most often. */
export function startForm(
  resources: readonly number[],
  audience: Audience,
  current: number | null,
  place: { class: number; date: string; period: number } | null,
): AssignForm {
  const group = audience.classes.find(({ id }) => id === (place?.class ?? current)) ?? audience.classes[0];
  return {
    resources: [...resources],
    to: group ? [{ class: group.id, students: group.students.map(({ id }) => id) }] : [],
    versions: [],
    factors: [],
    opens: place ? { kind: "place", date: place.date, period: place.period } : firstOpening(group),
    due: { kind: "days", days: 2, time: "15:00" },
    closes: "never",
    spread: "together",
    inOrder: false,
    openDays: null,
    parts: null,
    tries: 1,
    keep: "best",
    checking: "at once",
    goals: [],
    ...audience.like,
  };
}

export interface Looked {
  said: string[];
  findings: Finding[];
  problem: string | null;
}

const SETTLE_MS = 150;

/** What the server says of the form as it is, a moment after the last change. `fresh`: it is about this very form. */
export function useLastLook(form: AssignForm | null): { looked: Looked | null; fresh: boolean } {
  const [got, setGot] = useState<{ form: AssignForm; looked: Looked }>();
  const latest = useRef(form);
  useEffect(() => {
    latest.current = form;
    if (!form || form.to.length === 0) return;
    const timer = setTimeout(() => {
      void lookBeforeAssigning(form).then((outcome) => {
        // An answer to what she has changed since is not shown.
        if (latest.current !== form) return;
        setGot({
          form,
          looked: outcome.ok
            ? { ...outcome.value, problem: null }
            : { said: [], findings: [], problem: outcome.problem },
        });
      });
    }, SETTLE_MS);
    return () => clearTimeout(timer);
  }, [form]);
  return { looked: got?.looked ?? null, fresh: got !== undefined && got.form === form };
}
