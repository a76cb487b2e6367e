import type { Metadata } from "next";
import { calendarOf, meetingRulesOf } from "@/data/plan/calendar";
import { classesSaidAt, pastClassesAt } from "@/data/classes/class-said";
import { adultsAt, classesAt, namesAt, teachersOf } from "@/data/classes/classes";
import { peopleAt } from "@/data/student/front-door";
import { messagesBy } from "@/data/office/outbox";
import { guestsAllowed } from "@/data/classes/guests";
import { notesAllowed } from "@/data/live/step-notes";
import { systemsAt } from "@/data/lti/systems";
import { shelfRulesOf } from "@/data/share/sharing";
import { OfficeScreen } from "@/screens/office/office-screen";
import { baseAddress } from "@/server/web/base-address";
import { enter } from "@/server/web/page";
import { schoolOf } from "@/server/office/school-of";

export const metadata: Metadata = { title: "School office" };

export default async function OfficePage() {
  const { db, visitor, now } = await enter("change the school's calendar");
  const school = schoolOf(visitor);
  const classes = await classesAt(db, school);
  const [calendar, rules, adults, people, messages, names, teachers, said, past, shelfRules, notes, guests, systems] =
    await Promise.all([
      calendarOf(db, school),
      meetingRulesOf(
        db,
        classes.map(({ id }) => id),
      ),
      adultsAt(db, school),
      peopleAt(db, school, now),
      messagesBy(db, visitor.id),
      namesAt(db, school),
      Promise.all(classes.map(async ({ id }) => [id, await teachersOf(db, id, now)] as const)),
      classesSaidAt(db, school),
      pastClassesAt(db, school),
      shelfRulesOf(db, school),
      notesAllowed(db, school),
      guestsAllowed(db, school),
      systemsAt(db, school),
    ]);
  return (
    <OfficeScreen
      calendar={calendar}
      classes={classes}
      rules={rules}
      teachers={Object.fromEntries(teachers)}
      adults={adults}
      people={people}
      messages={messages}
      zone={visitor.zone}
      names={names}
      said={said}
      past={past}
      shelfRules={shelfRules}
      notes={notes}
      guests={guests}
      courseSites={{
        systems: systems.map(({ id, name, issuer }) => ({ id, name, issuer })),
        address: `${await baseAddress()}/lti/register`,
      }}
      now={now}
    />
  );
}
