import { useMemo, useState } from "react";
import type { AssignForm } from "@/core/assign/form";
import type { Piece } from "@/core/assign/typed/piece";
import { readLine } from "@/core/assign/typed/read-line";
import type { LineWorld } from "@/core/assign/typed/world";
import { beneathLine, writeLine } from "@/core/assign/typed/write-line";
import { schoolClock } from "@/core/calendar/school-calendar";
import type { KeptForm } from "./kept-form";
import type { Audience } from "@/server/assign/audience";

export function lineWorld(audience: Audience, now: Date): LineWorld {
  const { classes, versions, mains, zone, dayFirst, goalTags, individualGoals } = audience;
  const goals = [...new Set([...individualGoals.map(({ text }) => text), ...goalTags])];
  return { now, zone, today: schoolClock(now, zone).date, dayFirst, classes, mains, versions, goals };
}

/** What of a line was not understood: it goes on standing in it, behind what is written anew. */
const unread = (line: string, pieces: readonly Piece[]): string[] =>
  pieces.filter(({ problem }) => problem !== null).map(({ from, to }) => line.slice(from, to));

const nothing: readonly Piece[] = [];

/**
 * The form and the line above it, which always say the same: the form follows what is typed, and the line is written anew when
 * something in the form is changed by hand. What is typed before the form has arrived (`start` is null) is read when it has.
 */
export function useAssignForm(audience: Audience | null, start: AssignForm | null, now: Date, kept: KeptForm | null) {
  const [line, setLine] = useState(kept?.line ?? "");
  /** What the form says that a line cannot: it stays when she types on. */
  const [changed, setBeneath] = useState<AssignForm | null>(null);
  const beneath = useMemo(
    () => changed ?? (start && kept && Object.keys(kept.form).length > 0 ? { ...start, ...kept.form } : null),
    [changed, start, kept],
  );
  const [byHand, setByHand] = useState<{ line: string; form: AssignForm } | null>(null);
  const world = useMemo(() => audience && lineWorld(audience, now), [audience, now]);
  const read = useMemo(
    () => (world && start ? readLine(line, world, beneath ?? start) : null),
    [line, world, beneath, start],
  );
  const form = byHand?.line === line ? byHand.form : (read?.form ?? null);

  const change = (part: Partial<AssignForm>) => {
    if (!world || !start || !read || !form) return;
    const next = { ...form, ...part };
    const written = [writeLine(next, start, world), ...unread(line, read.pieces)].filter(Boolean).join(", ");
    setBeneath(beneathLine(next, start, written, world));
    setByHand({ line: written, form: next });
    setLine(written);
  };
  return { line, setLine, form, beneath, pieces: read?.pieces ?? nothing, change };
}
