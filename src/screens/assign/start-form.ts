import type { AssignForm, Opens } from "@/core/assign/form";
import { plainForm } from "@/core/assign/plain-form";
import type { Audience, AudienceClass } from "@/server/audience";

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
  return plainForm(
    {
      resources: [...resources],
      to: group ? [{ class: group.id, students: group.students.map(({ id }) => id) }] : [],
    },
    {
      opens: place ? { kind: "place", date: place.date, period: place.period } : firstOpening(group),
      ...audience.like,
    },
  );
}
