import type { Metadata } from "next";
import { idFrom } from "@/core/ids";
import { classesOf } from "@/data/classes/classes";
import { HandOverScreen } from "@/screens/hand-over/hand-over-screen";
import { pastFrom, stretchFrom } from "@/server/hand-over/stretch";
import { handOverView } from "@/server/lti/hand-over";
import { baseAddress } from "@/server/web/base-address";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Hand over" };

/** A class's plan goes to the school's course site: `?from=2026-11-23&weeks=2`. */
export default async function HandOverPage({
  params,
  searchParams,
}: {
  params: Promise<{ class: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const group = idFrom((await params).class) ?? -1;
  const { db, visitor, now } = await enter("hand over to a course", { class: group });
  const said = await searchParams;
  const asked = { class: group, ...stretchFrom(said, visitor, now), ...pastFrom(said) };
  const [view, classes] = await Promise.all([
    handOverView(db, visitor, asked, { base: await baseAddress(), now }),
    classesOf(db, visitor.id, now),
  ]);
  return (
    <HandOverScreen
      // What she ticked and answered is about these weeks of this class.
      key={`${group} ${asked.from} ${asked.weeks}`}
      view={view}
      asked={asked}
      classes={classes.map(({ id, name }) => ({ id, name }))}
      zone={visitor.zone}
      now={now}
    />
  );
}
