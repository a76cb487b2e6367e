import type { Metadata } from "next";
import { assignmentsOf } from "@/data/assignments";
import { classesOf } from "@/data/classes";
import { PlanScreen } from "@/screens/plan/plan-screen";
import { enter } from "@/server/page";

export const metadata: Metadata = { title: "Plan" };

export default async function PlanPage() {
  const { db, visitor, now } = await enter("see assignments");
  const classes = await classesOf(db, visitor.id, now);
  const assignments = await assignmentsOf(
    db,
    classes.map((group) => group.id),
  );
  return <PlanScreen assignments={assignments} classes={classes} zone={visitor.zone} now={now} />;
}
