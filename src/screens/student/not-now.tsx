"use client";
import { Link } from "@/ui/link";
import { availability } from "@/core/assign/door";
import { momentAt } from "@/core/calendar/school-calendar";
import type { OwnAssignment } from "@/data/student/work";
import { useWhen } from "../language/use-when";
import { SendWaiting } from "./send-waiting";
import { useTranslations } from "use-intl";

/** Why something that was given cannot be done just now, in words for children; null when it can. */
export function useNotNow(zone: string, now: Date): (assigned: OwnAssignment) => string | null {
  const t = useTranslations("notNow");
  const { when, whichDay } = useWhen(zone, now);
  return (assigned) => {
    const door = availability(assigned, zone, now);
    if (door.open) return null;
    switch (door.why) {
      case "later":
        return t("later", { when: when(assigned.opens) });
      case "closed":
        return t("closed", { when: when(assigned.closes!) });
      case "waits":
        return t("waits", { title: assigned.waitsFor ?? "" });
      case "other day":
        return door.next ? t("again", { when: whichDay(momentAt(door.next, "00:00", zone)) }) : t("over");
    }
  };
}

/** The page of a piece of work that cannot be done now. */
export function NotNow({
  assigned,
  student,
  zone,
  now,
}: {
  assigned: OwnAssignment;
  student: number;
  zone: string;
  now: Date;
}) {
  const t = useTranslations("notNow");
  const common = useTranslations("common");
  const formatNotNow = useNotNow(zone, now);
  return (
    <main className="finger-size mx-auto grid max-w-xl gap-4 px-4 py-10 font-child text-(length:--child-text)">
      <h1 className="font-serif text-2xl">{assigned.title}</h1>
      <p>{t("sentence", { state: formatNotNow(assigned)! })}</p>
      {assigned.begun > 0 && <p className="text-ink-soft">{t("kept")}</p>}
      <SendWaiting student={student} />
      <Link
        href="/student"
        className="inline-grid min-h-12 place-items-center rounded-card border-2 border-green px-6 font-bold text-green"
      >
        {common("myWork")}
      </Link>
    </main>
  );
}
