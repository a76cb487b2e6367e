import type { Metadata } from "next";
import { NoClasses } from "@/screens/plan/no-classes";
import { PortfolioScreen } from "@/screens/portfolio/portfolio-screen";
import { studentAsked } from "@/server/classes/student-asked";
import { childPortfolio } from "@/server/portfolio/child-portfolio";
import { noteLook } from "@/data/keep/about-child";
import { enter } from "@/server/web/page";
import { Empty } from "@/ui/empty";

export const metadata: Metadata = { title: "Portfolio" };

export default async function PortfolioPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const caller = await enter("see assignments");
  const asked = await studentAsked(caller, await searchParams);
  if (!asked) return <NoClasses />;
  const { student, shown } = asked;
  if (student === null) return <Empty title="Nobody is in this class yet">Add students under Classes.</Empty>;
  const { db, visitor, now } = await enter("keep a portfolio", { class: shown.group, students: [student] });
  await noteLook(db, { student, by: visitor.id, what: "portfolio", at: now });
  return <PortfolioScreen key={student} portfolio={await childPortfolio(db, student)} {...{ student, ...shown }} />;
}
