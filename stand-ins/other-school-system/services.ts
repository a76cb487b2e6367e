import type { Course, LineItem, Store } from "./state";

/** What of a column goes out. */
const shown = (issuer: string, course: Course, { scores: _, id, ...rest }: LineItem) => ({
  id: `${issuer}/courses/${course.id}/lineitems/${id}`,
  ...rest,
});

type Said = Partial<Pick<LineItem, "label" | "scoreMaximum" | "resourceId" | "startDateTime" | "endDateTime">>;
const fieldsOf = (said: Said) => ({
  label: String(said.label ?? ""),
  scoreMaximum: Number(said.scoreMaximum ?? 100),
  resourceId: said.resourceId ?? null,
  startDateTime: said.startDateTime ?? null,
  endDateTime: said.endDateTime ?? null,
});

export const lineItems = (issuer: string, course: Course) => course.lineItems.map((one) => shown(issuer, course, one));

export function addLineItem(store: Store, issuer: string, course: Course, said: Said): object {
  const item: LineItem = { id: course.lineItems.length + 1, ...fieldsOf(said), scores: {} };
  course.lineItems.push(item);
  store.save();
  return shown(issuer, course, item);
}

export function changeLineItem(store: Store, issuer: string, course: Course, id: number, said: Said): object | null {
  const item = course.lineItems.find((one) => one.id === id);
  if (!item) return null;
  Object.assign(item, fieldsOf({ ...item, ...said }));
  store.save();
  return shown(issuer, course, item);
}

export function addScore(store: Store, course: Course, id: number, said: Record<string, unknown>): boolean {
  const item = course.lineItems.find((one) => one.id === id);
  if (!item || typeof said.userId !== "string" || !course.members.includes(said.userId)) return false;
  const before = item.scores[said.userId];
  const at = String(said.timestamp);
  // An older message that comes late changes nothing.
  if (before && before.at >= at) return true;
  item.scores[said.userId] = {
    given: typeof said.scoreGiven === "number" ? said.scoreGiven : null,
    most: typeof said.scoreMaximum === "number" ? said.scoreMaximum : null,
    ...{ at, progress: String(said.gradingProgress) },
  };
  store.save();
  return true;
}

export const members = (store: Store, issuer: string, course: Course) => ({
  id: `${issuer}/courses/${course.id}/members`,
  context: { id: course.id, title: course.title },
  members: course.members.flatMap((id) => {
    const person = store.person(id);
    return person
      ? [
          {
            ...{ status: "Active", user_id: person.id, given_name: person.given, family_name: person.family },
            ...{
              lis_person_sourcedid: person.sourcedId,
              roles: [person.role === "student" ? "Learner" : "Instructor"],
            },
          },
        ]
      : [];
  }),
});

const stamp = (text: string) => new Date(text).toISOString().replace(/[-:]|\.\d{3}/g, "");

/** When things are due, for any calendar (RFC 5545). */
export const calendar = (course: Course): string =>
  [
    ...["BEGIN:VCALENDAR", "VERSION:2.0", "PRODID:-//Quayside courses//EN"],
    ...course.lineItems.flatMap(({ id, label, endDateTime }) =>
      endDateTime
        ? [
            ...["BEGIN:VEVENT", `UID:${course.id}-${id}@quayside.example`, `DTSTAMP:${stamp(endDateTime)}`],
            ...[`DTSTART:${stamp(endDateTime)}`, `SUMMARY:${label.replace(/([\\;,])/g, "\\$1")}`, "END:VEVENT"],
          ]
        : [],
    ),
    "END:VCALENDAR",
    "",
  ].join("\r\n");
