import type { Metadata } from "next";
import { headers } from "next/headers";
import { joinCodeOf, studentsOf } from "@/data/classes";
import { ClassScreen } from "@/screens/classes/class-screen";
import { chosenClass } from "@/server/chosen-class";
import { enter, idFrom } from "@/server/page";

export const metadata: Metadata = { title: "Classes" };

export default async function ClassesPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { db, visitor, now } = await enter("see own classes");
  const { classes, current } = await chosenClass(db, visitor, now);
  const asked = idFrom((await searchParams).class);
  if (asked !== undefined) await enter("see class", { class: asked });
  const group = classes.find((one) => one.id === asked) ?? current;
  const [students, code] = group
    ? await Promise.all([studentsOf(db, group.id), joinCodeOf(db, group.id, now)])
    : [[], null];
  const host = (await headers()).get("host") ?? "";
  return (
    <ClassScreen
      classes={classes}
      group={group}
      students={students}
      code={code}
      zone={visitor.zone}
      joinAddress={`${host}/join`}
    />
  );
}
