import { schoolClock, type Meeting, type SchoolDay } from "../calendar/school-calendar";
import { samePlace, type Times } from "./move";

/** A piece of work as the plan shows it. */
export interface PlanWork extends Times {
  id: number;
  class: number;
  title: string;
  part: string | null;
  minutes: number;
  /** The meeting it is planned for; null: it opens at a time of its own. */
  meeting: { date: string; period: number } | null;
  subjects: readonly string[];
}

export interface PlanColumn {
  class: number;
  className: string;
  /** What the class does then, where it meets for several subjects. */
  label: string;
}

export interface PlanCell {
  meetings: Meeting[];
  work: PlanWork[];
  /** Work of the class that is due on this day and was given on another, in its first column only. */
  due: PlanWork[];
  planned: number;
  /** Minutes of its meetings; 0 where the class does not meet. */
  room: number;
}

export interface PlanBoard {
  columns: PlanColumn[];
  days: { day: SchoolDay; cells: PlanCell[] }[];
  /** Work whose meeting is not there any more: a day was lost, or the class meets at other times now. */
  homeless: number[];
}

const first = (meetings: readonly Meeting[]) => (meetings.length > 0 ? meetings[0]! : null);

/** Which of the day's meetings work belongs to that was given for a time and not for a meeting. */
function meetingBySubject(work: PlanWork, meetings: readonly Meeting[]): Meeting | null {
  const named = meetings.filter(({ label }) =>
    work.subjects.some((subject) => subject.toLowerCase().startsWith(label.toLowerCase().slice(0, 4))),
  );
  return first(named) ?? first(meetings);
}

/**
 * Days by columns: what is planned in each meeting, how full it is, and what is due. Every piece of work that opens within
 * the days stands in exactly one cell.
 * `planBoard([{ id: 1, name: "5 Kittiwake" }], [], [], [], "Europe/London").columns.length` gives `1`.
 */
export function planBoard(
  classes: readonly { id: number; name: string }[],
  days: readonly SchoolDay[],
  meetings: readonly Meeting[],
  work: readonly PlanWork[],
  zone: string,
): PlanBoard {
  const columns = classes.flatMap(({ id, name }) => {
    const labels = [...new Set(meetings.filter((one) => one.class === id).map(({ label }) => label))];
    return (labels.length > 0 ? labels : [""]).map((label) => ({ class: id, className: name, label }));
  });
  const columnOf = (classId: number, label: string | null) => {
    const own = columns.findIndex((column) => column.class === classId && column.label === label);
    return own >= 0 ? own : columns.findIndex((column) => column.class === classId);
  };
  const rowOf = new Map(days.map(({ date }, at) => [date, at]));
  const rows = days.map((day) => ({
    day,
    cells: columns.map((): PlanCell => ({ meetings: [], work: [], due: [], planned: 0, room: 0 })),
  }));
  const byDay = new Map<string, Meeting[]>();
  for (const meeting of meetings) {
    const key = `${meeting.class} ${meeting.date}`;
    byDay.set(key, [...(byDay.get(key) ?? []), meeting]);
    const cell = rows[rowOf.get(meeting.date) ?? -1]?.cells[columnOf(meeting.class, meeting.label)];
    if (!cell) continue;
    cell.meetings.push(meeting);
    cell.room += meeting.minutes;
  }
  const homeless: number[] = [];
  for (const one of work) {
    const dueDate = schoolClock(one.due, zone).date;
    const date = one.meeting?.date ?? schoolClock(one.opens, zone).date;
    // What is done in its lesson is not said twice.
    if (dueDate !== date) rows[rowOf.get(dueDate) ?? -1]?.cells[columnOf(one.class, null)]?.due.push(one);
    const sameDay = byDay.get(`${one.class} ${date}`) ?? [];
    const wanted = one.meeting
      ? sameDay.find((meeting) => samePlace(meeting, one.meeting!))
      : meetingBySubject(one, sameDay);
    if (one.meeting && !wanted && rowOf.has(date)) homeless.push(one.id);
    const cell = rows[rowOf.get(date) ?? -1]?.cells[columnOf(one.class, wanted?.label ?? null)];
    if (!cell) continue;
    cell.work.push(one);
    cell.planned += one.minutes;
  }
  return { columns, days: rows, homeless };
}
