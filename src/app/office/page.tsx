import type { Metadata } from "next";
import { formatDay, formatMoment } from "@/core/calendar/format-moment";
import { calendarOf, meetingRulesOf } from "@/data/plan/calendar";
import { classesSaidAt, pastClassesAt } from "@/data/classes/class-said";
import { adultsAt, classesAt, namesAt, teachersOf } from "@/data/classes/classes";
import { peopleAt } from "@/data/student/front-door";
import { messagesBy } from "@/data/office/outbox";
import { guestsAllowed } from "@/data/classes/guests";
import { notesAllowed } from "@/data/live/step-notes";
import { systemsAt } from "@/data/lti/systems";
import { directoryOf } from "@/data/office/directory";
import { keepsDistrict, schoolsOfDistrict } from "@/data/office/district";
import { leftAdults } from "@/data/office/leaving";
import { providersAt } from "@/data/office/providers";
import { childRulesOf } from "@/data/keep/consent";
import { leftChildren } from "@/data/keep/delete-child";
import { shelfRulesOf } from "@/data/share/sharing";
import { OfficeScreen } from "@/screens/office/office-screen";
import { baseAddress } from "@/server/web/base-address";
import { sendsMail } from "@/server/office/mail";
import { enter } from "@/server/web/page";
import { schoolOf } from "@/server/office/school-of";

export const metadata: Metadata = { title: "School office" };

export default async function OfficePage() {
  const { db, visitor, now } = await enter("change the school's calendar");
  const school = schoolOf(visitor);
  const classes = await classesAt(db, school);
  const [calendar, rules, adults, people, messages, names, teachers, said, past] = await Promise.all([
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
  ]);
  const [shelfRules, notes, guests, systems, directory, providers, base, childRules, left, leftPeople, isDistrict] =
    await Promise.all([
      shelfRulesOf(db, school),
      notesAllowed(db, school),
      guestsAllowed(db, school),
      systemsAt(db, school),
      directoryOf(db, school),
      providersAt(db, school),
      baseAddress(),
      childRulesOf(db, school),
      leftChildren(db, now, school),
      leftAdults(db, school),
      keepsDistrict(db, visitor.id),
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
      mails={sendsMail()}
      zone={visitor.zone}
      names={names}
      said={said}
      past={past}
      shelfRules={shelfRules}
      notes={notes}
      guests={guests}
      childRules={childRules}
      leftPeople={leftPeople}
      schools={isDistrict ? await schoolsOfDistrict(db, visitor.district) : null}
      zones={isDistrict ? [...new Set([visitor.zone, ...Intl.supportedValuesOf("timeZone")])] : []}
      left={left.map(({ id, name, left: at, goes }) => ({
        id,
        name,
        left: formatDay(at, visitor.zone, now),
        goes: goes && formatDay(goes, visitor.zone, now),
        since: at,
      }))}
      courseSites={{
        systems: systems.map(({ id, name, issuer }) => ({ id, name, issuer })),
        address: `${base}/lti/register`,
      }}
      signIns={{
        providers: providers.map(({ id, name, issuer }) => ({ id, name, issuer })),
        address: `${base}/sign-in/back`,
      }}
      directory={
        directory
          ? {
              ...{ address: directory.address, tokenUrl: directory.tokenUrl, clientId: directory.clientId },
              fetched: directory.fetched && formatMoment(directory.fetched, visitor.zone, now),
            }
          : null
      }
      now={now}
    />
  );
}
