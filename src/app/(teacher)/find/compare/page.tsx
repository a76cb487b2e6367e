import type { Metadata } from "next";
import { MOST_COMPARED } from "@/core/find/compare";
import { ComparePage } from "@/screens/find/compare-page";
import { classProfile } from "@/server/find/fit";
import { lightTable } from "@/server/find/light-table";
import { chosenClass } from "@/server/classes/chosen-class";
import { idsFrom } from "@/core/ids";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Compare" };

export default async function Compare({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { db, visitor, now } = await enter("compare resources");
  const { of } = await searchParams;
  const { current } = await chosenClass(db, visitor, now);
  const profile = await classProfile(db, current, now);
  const found = await Promise.all(
    idsFrom(of)
      .slice(0, MOST_COMPARED)
      .map((id) => lightTable(db, visitor, id, now, profile)),
  );
  return (
    <ComparePage
      candidates={found.filter((one) => one !== null)}
      missing={found.filter((one) => one === null).length}
    />
  );
}
