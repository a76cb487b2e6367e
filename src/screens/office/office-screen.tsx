"use client";
import { Link } from "@/ui/link";
import { buttonClasses } from "@/ui/button";
import type { MeetingRule, SchoolCalendar } from "@/core/calendar/school-calendar";
import type { ClassSaid } from "@/core/roster/class-said";
import type { PastClass } from "@/data/classes/class-said";
import type { Class } from "@/data/classes/classes";
import { ChildrenCard, type LeftChildSaid } from "./children-card";
import type { ChildRules } from "@/data/keep/consent";
import { ClassesCard } from "./classes-card";
import { CourseSiteCard } from "./course-site-card";
import { DaysOffCard } from "./days-off-card";
import { DirectoryCard, type DirectorySaid } from "./directory-card";
import type { LeftAdult } from "@/data/office/leaving";
import { LeftPeopleCard } from "./left-people-card";
import { MeetingsCard } from "./meetings-card";
import type { Adult } from "@/data/student/front-door";
import type { SentMessage } from "@/data/office/outbox";
import { NamesCard, type ClassName } from "./names-card";
import { OutboxCard } from "./outbox-card";
import { PeopleCard } from "./people-card";
import { RosterCard } from "./roster-card";
import type { DistrictSchool } from "@/data/office/district";
import { SchoolsCard } from "./schools-card";
import { SchoolSignInCard } from "./school-sign-in-card";
import { TeachersCard, type ClassTeacher } from "./teachers-card";
import type { ShelfRule } from "@/core/sharing/how-far";
import { GuestsCard, NotesCard, ShelvesCard } from "./shelves-card";
import { TermsCard } from "./terms-card";
import { WeekCard } from "./week-card";

/** What the office of a school keeps: when there is school, when classes meet, who is in them. */
export function OfficeScreen({
  calendar,
  classes,
  rules,
  teachers,
  adults,
  people,
  messages,
  mails,
  names,
  said,
  past,
  shelfRules,
  childRules,
  left,
  leftPeople,
  schools,
  zones,
  notes,
  guests,
  courseSites,
  signIns,
  directory,
  zone,
  now,
}: {
  calendar: SchoolCalendar;
  classes: Class[];
  rules: MeetingRule[];
  teachers: Record<number, ClassTeacher[]>;
  adults: { id: number; name: string }[];
  people: Adult[];
  messages: SentMessage[];
  mails: boolean;
  signIns: { providers: { id: number; name: string; issuer: string }[]; address: string };
  directory: DirectorySaid | null;
  zone: string;
  names: ClassName[];
  said: Record<number, ClassSaid>;
  past: PastClass[];
  shelfRules: { district: ShelfRule; commons: ShelfRule };
  childRules: ChildRules;
  left: readonly LeftChildSaid[];
  leftPeople: readonly LeftAdult[];
  /** Null where this office does not keep the district. */
  schools: readonly DistrictSchool[] | null;
  zones: readonly string[];
  /** Whether teachers and children may write each other notes. */
  notes: boolean;
  /** Whether guests may do work by a link. */
  guests: boolean;
  courseSites: { systems: { id: number; name: string; issuer: string }[]; address: string };
  now: Date;
}) {
  return (
    <div className="mx-auto grid max-w-6xl items-start gap-5 px-6 py-5 lg:grid-cols-2">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 lg:col-span-2">
        <h1 className="flex-1 font-serif text-[22px]">Calendar, rosters and people</h1>
        <Link href="/office/year" className={buttonClasses(calendar.terms.length === 0 ? "main" : "plain")}>
          Set up a school year, step by step
        </Link>
      </div>
      <div className="grid gap-5">
        <DaysOffCard calendar={calendar} now={now} />
        <WeekCard key={JSON.stringify([calendar.bells, calendar.cycle, calendar.weekdays])} calendar={calendar} />
        <ShelvesCard key={JSON.stringify(shelfRules)} rules={shelfRules} />
        <NotesCard allowed={notes} />
        <GuestsCard allowed={guests} />
        <CourseSiteCard {...courseSites} />
        <SchoolSignInCard {...signIns} />
        <NamesCard classes={classes} names={names} />
      </div>
      <div className="grid gap-5">
        <TermsCard key={JSON.stringify(calendar.terms)} terms={calendar.terms} />
        <ClassesCard classes={classes} said={said} past={past} adults={adults} />
        <RosterCard />
        <DirectoryCard directory={directory} />
        <MeetingsCard calendar={calendar} classes={classes} rules={rules} />
        <TeachersCard classes={classes} teachers={teachers} adults={adults} />
        <ChildrenCard key={JSON.stringify(childRules)} rules={childRules} left={left} now={now} />
      </div>
      <PeopleCard adults={people} zone={zone} now={now} />
      <LeftPeopleCard left={leftPeople} adults={people} />
      {schools && <SchoolsCard schools={schools} zones={zones} zone={zone} />}
      <OutboxCard messages={messages} mails={mails} zone={zone} now={now} />
    </div>
  );
}
