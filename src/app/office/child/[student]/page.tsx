import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { looksAt, studentAt } from "@/data/keep/about-child";
import { childRulesOf, consentOf } from "@/data/keep/consent";
import { storedOfChild } from "@/data/keep/delete-child";
import { classesAt } from "@/data/classes/classes";
import { classesOfChild, schoolsBeside } from "@/data/office/moving";
import { ChildScreen } from "@/screens/office/child-screen";
import { idFrom } from "@/core/ids";
import { formatMoment } from "@/core/calendar/format-moment";
import { schoolOf } from "@/server/office/school-of";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Records of a child" };

export default async function ChildPage({ params }: { params: Promise<{ student: string }> }) {
  const { db, visitor, now } = await enter("keep the school's people");
  const student = idFrom((await params).student) ?? -1;
  const name = await studentAt(db, schoolOf(visitor), student);
  if (name === undefined) notFound();
  const [isIn, classes, schools] = await Promise.all([
    classesOfChild(db, student),
    classesAt(db, schoolOf(visitor)),
    schoolsBeside(db, schoolOf(visitor)),
  ]);
  const [looks, rules, consent, stored] = await Promise.all([
    looksAt(db, student),
    childRulesOf(db, schoolOf(visitor)),
    consentOf(db, student),
    storedOfChild(db, student),
  ]);
  return (
    <ChildScreen
      student={student}
      name={name}
      consent={rules.asksConsent ? consent : null}
      stored={stored}
      place={{ isIn, schools, classes: classes.map(({ id, name: called }) => ({ id, name: called })) }}
      looks={looks.map(({ name: who, what, at }) => ({ name: who, what, at: formatMoment(at, visitor.zone, now) }))}
    />
  );
}
