import type { Metadata } from "next";
import { ComparePage } from "@/screens/find/compare-page";
import { classProfile } from "@/server/fit";
import { lightTable } from "@/server/light-table";
import { enter, idFrom } from "@/server/page";

export const metadata: Metadata = { title: "Compare" };

const MOST_COMPARED = 4;

export default async function Compare({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { db, visitor, now } = await enter("compare resources");
  const { of } = await searchParams;
  const ids = String(of ?? "")
    .split(",")
    .map((text) => idFrom(text))
    .filter((id) => id !== undefined);
  const profile = await classProfile(db, visitor, now);
  const found = await Promise.all(
    [...new Set(ids)].slice(0, MOST_COMPARED).map((id) => lightTable(db, visitor, id, now, profile)),
  );
  return (
    <ComparePage
      candidates={found.filter((one) => one !== null)}
      missing={found.filter((one) => one === null).length}
    />
  );
}
