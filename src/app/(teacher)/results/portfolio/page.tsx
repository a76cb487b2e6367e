import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { idFrom } from "@/core/ids";
import { studentsOf } from "@/data/classes/classes";
import { NoClasses } from "@/screens/plan/no-classes";
import { PortfolioScreen } from "@/screens/portfolio/portfolio-screen";
import { chosenClass } from "@/server/classes/chosen-class";
import { childPortfolio } from "@/server/portfolio/child-portfolio";
import { enter } from "@/server/web/page";
import { Empty } from "@/ui/empty";

export const metadata: Metadata = { title: "Portfolio" };

export default async function PortfolioPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const parameters = await searchParams;
  const { db, visitor, now } = await enter("see assignments");
  const { classes, current } = await chosenClass(db, visitor, now);
  if (!current) return <NoClasses />;
  const group = classes.find(({ id }) => id === (idFrom(parameters.class) ?? current.id));
  if (!group) notFound();
  const students = await studentsOf(db, group.id);
  const asked = idFrom(parameters.student) ?? students[0]?.id;
  if (asked === undefined) return <Empty title="Nobody is in this class yet">Add students under Classes.</Empty>;
  await enter("keep a portfolio", { class: group.id, students: [asked] });
  return (
    <PortfolioScreen
      key={asked}
      portfolio={await childPortfolio(db, asked)}
      classes={classes.map(({ id, name }) => ({ id, name }))}
      group={group.id}
      students={students.map(({ id, givenName, familyName }) => ({ id, name: `${givenName} ${familyName}` }))}
      student={asked}
      zone={visitor.zone}
      now={now}
    />
  );
}
