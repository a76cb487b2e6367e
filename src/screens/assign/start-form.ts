import type { AssignForm, Opens } from "@/core/assign/form";
import { firstOpening } from "@/core/assign/opening";
import type { ForThese } from "@/core/assign/for-these";
import { plainForm } from "@/core/assign/plain-form";
import type { Audience } from "@/server/assign/audience";

/**
 * The whole class on top, or the children a result was about, at its next lesson, due two school days later at 3: what is meant
 * most often.
 */
export function startForm(
  resources: readonly number[],
  audience: Audience,
  current: number | null,
  place: { class: number; date: string; period: number } | null,
  these: ForThese | null = null,
): AssignForm {
  const group =
    audience.classes.find(({ id }) => id === (these?.class ?? place?.class ?? current)) ?? audience.classes[0];
  const chosen = group?.students
    .map(({ id }) => id)
    .filter((id) => !these || these.class !== group.id || these.students.includes(id));
  const opens: Opens = place ? { kind: "place", date: place.date, period: place.period } : firstOpening(group);
  const { like } = audience;
  // Due in its lesson, as before, only where it opens in one.
  const noLesson = like?.due.kind === "meeting end" && (opens.kind === "now" || opens.kind === "at");
  return plainForm(
    {
      resources: [...resources],
      to: group && chosen && chosen.length > 0 ? [{ class: group.id, students: chosen }] : [],
    },
    {
      opens,
      ...like,
      ...(these && { follows: these.follows }),
      ...(these?.steps && { steps: these.steps, parts: null, versions: [], spread: "together" as const }),
      ...(noLesson && { due: { kind: "days" as const, days: 2, time: "15:00" } }),
    },
  );
}
