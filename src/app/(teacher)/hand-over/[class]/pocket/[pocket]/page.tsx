import type { Metadata } from "next";
import { idFrom } from "@/core/ids";
import { classesOf } from "@/data/classes/classes";
import { pocketsOf } from "@/data/satchel/pockets";
import { HandOverScreen } from "@/screens/hand-over/hand-over-screen";
import { pastFrom, stretchFrom } from "@/server/hand-over/stretch";
import { handOverView } from "@/server/lti/hand-over";
import { baseAddress } from "@/server/web/base-address";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Hand over" };

/** A pocket goes to the course of a class at the school's course site. */
export default async function HandOverPocketPage({
  params,
  searchParams,
}: {
  params: Promise<{ class: string; pocket: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const parameters = await params;
  const [group, pocket] = [idFrom(parameters.class) ?? -1, idFrom(parameters.pocket) ?? -1];
  const { db, visitor, now } = await enter("hand over a pocket to a course", { class: group, pocket });
  const asked = { class: group, pocket, ...stretchFrom({}, visitor, now), ...pastFrom(await searchParams) };
  const [view, classes, pockets] = await Promise.all([
    handOverView(db, visitor, asked, { base: await baseAddress(), now }),
    classesOf(db, visitor.id, now),
    pocketsOf(db, visitor.id),
  ]);
  return (
    <HandOverScreen
      key={`${group} ${pocket}`}
      view={view}
      asked={asked}
      pocket={{ id: pocket, name: pockets.find(({ id }) => id === pocket)?.name ?? "" }}
      classes={classes.map(({ id, name }) => ({ id, name }))}
      zone={visitor.zone}
      now={now}
    />
  );
}
