import Link from "next/link";
import { availability } from "@/core/assign/door";
import { momentAt } from "@/core/calendar/school-calendar";
import { formatForChildren } from "@/core/calendar/format-moment";
import type { Task } from "@/data/student/work";
import { SendWaiting } from "./send-waiting";

/** Why something that was given cannot be done just now, in a sentence for children; null when it can. */
export function formatNotNow(task: Task, zone: string, now: Date): string | null {
  const door = availability(task, zone, now);
  if (door.open) return null;
  switch (door.why) {
    case "later":
      return `opens ${formatForChildren(task.opens, zone, now)}`;
    case "closed":
      return `closed ${formatForChildren(task.closes!, zone, now)}`;
    case "waits":
      return `opens when you have handed in ${task.waitsFor}`;
    case "other day":
      return door.next
        ? `opens again ${formatForChildren(momentAt(door.next, "00:00", zone), zone, now).split(",")[0]}`
        : "its last day is over";
  }
}

/** The page of a piece of work that cannot be done now. */
export function NotNow({ task, student, zone, now }: { task: Task; student: number; zone: string; now: Date }) {
  return (
    <main className="finger-size mx-auto grid max-w-xl gap-4 px-4 py-10 font-child text-[17px]">
      <h1 className="font-serif text-2xl">{task.title}</h1>
      <p>It {formatNotNow(task, zone, now)}.</p>
      {task.begun > 0 && <p className="text-ink-soft">What you answered is kept.</p>}
      <SendWaiting student={student} />
      <Link
        href="/student"
        className="inline-grid min-h-12 place-items-center rounded-card border-2 border-green px-6 font-bold text-green"
      >
        My work
      </Link>
    </main>
  );
}
