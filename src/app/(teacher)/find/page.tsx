import type { Metadata } from "next";
import { needFromParameters } from "@/core/find/need";
import { satchelIds } from "@/data/satchel";
import { sorts, type Sort } from "@/data/search";
import { FindScreen } from "@/screens/find/find-screen";
import { assignContext } from "@/server/assign-context";
import { find } from "@/server/find";
import { lightTable } from "@/server/light-table";
import { enter, idFrom } from "@/server/page";

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
  const limit = Math.min(800, Math.max(40, Number(parameters.show) || 40));
  const reader = {
    id: visitor.id,
    school: visitor.school,
    district: visitor.district,
    satchel: await satchelIds(db, visitor.id),
  };
  const found = await find(db, reader, need, { sort, limit });
  const open = idFrom(parameters.open) ?? found.hits[0]?.id;
  const [opened, assign] = await Promise.all([lightTable(db, visitor, open, now), assignContext(db, visitor, now)]);
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
    />
  );
}
