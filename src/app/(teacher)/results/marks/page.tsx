import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { idFrom } from "@/core/ids";
import { MarkTableScreen } from "@/screens/mark-table/mark-table-screen";
import { NoClasses } from "@/screens/plan/no-classes";
import { chosenClass } from "@/server/classes/chosen-class";
import { markTableData } from "@/server/results/mark-table";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Marks" };

export default async function MarksPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const parameters = await searchParams;
  const { db, visitor, now } = await enter("see assignments");
  const { classes, current } = await chosenClass(db, visitor, now);
  if (!current) return <NoClasses />;
  const id = idFrom(parameters.class) ?? current.id;
  await enter("see marks", { class: id });
  const group = classes.find((one) => one.id === id);
  if (!group) notFound();
  const asked = { stretch: [parameters.in].flat()[0], goal: [parameters.goal].flat()[0] };
  return (
    <MarkTableScreen
      data={await markTableData(db, visitor, group, asked, now)}
      group={{ id: group.id, name: group.name }}
      classes={classes.map(({ id: each, name }) => ({ id: each, name }))}
      now={now}
    />
  );
}
