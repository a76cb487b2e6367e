import type { Metadata } from "next";
import { isAnything, needFromParameters, needToParameters } from "@/core/find/need";
import { MOST_SHOWN, sorts, type Sort } from "@/core/find/order";
import { noteViewed, savedNeeds, seenAuthor, seenNeed } from "@/data/kept";
import { FindScreen } from "@/screens/find/find-screen";
import { assignContext } from "@/server/assign-context";
import { find } from "@/server/find";
import { classProfile } from "@/server/fit";
import { lightTable } from "@/server/light-table";
import { enter, idFrom, idsFrom } from "@/server/page";
import { readerOf } from "@/server/reader";
import { startData } from "@/server/start-page";

export const metadata: Metadata = { title: "Find" };

export default async function FindPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { db, visitor, now } = await enter("find resources");
  const parameters = await searchParams;
  const need = needFromParameters(parameters);
  const sort = sorts.find((one) => one === parameters.sort) ?? ("best" satisfies Sort);
  const limit = Math.min(MOST_SHOWN, Math.max(40, Number(parameters.show) || 40));
  const [reader, assign, saved] = await Promise.all([
    readerOf(db, visitor),
    assignContext(db, visitor, now),
    savedNeeds(db, visitor.id),
  ]);
  const { classes } = assign;
  const profile = await classProfile(db, classes.find((group) => group.id === assign.current) ?? null, now);
  const found = await find(db, reader, need, {
    sort,
    limit,
    classes,
    profile,
    unfolded: idFrom(parameters.unfold) ?? 0,
  });
  const asked = idFrom(parameters.open);
  const open = asked ?? found.hits[0]?.id;
  const atStart = isAnything(need) && asked === undefined && sort === "best";
  const address = needToParameters(need).toString();
  const [opened, start] = await Promise.all([
    atStart ? null : lightTable(db, visitor, open, now, profile),
    atStart ? startData(db, reader, classes, now) : null,
  ]);
  const kept = saved.some((one) => one.address === address);
  // What she has now seen is not new the next time.
  if (asked !== undefined && opened && !opened.mine) await noteViewed(db, visitor.id, asked, now);
  if (kept) await seenNeed(db, visitor.id, address, now);
  for (const author of need.authors) await seenAuthor(db, visitor.id, author, now);
  return (
    <FindScreen
      need={need}
      found={found}
      sort={sort}
      limit={limit}
      opened={opened}
      wanted={open ?? null}
      assign={assign}
      locale={visitor.locale}
      start={start}
      compare={idsFrom(parameters.compare)}
      saved={kept}
    />
  );
}
