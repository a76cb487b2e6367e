import type { Metadata } from "next";
import { askedFrom, startsHere, tableAddress } from "@/core/find/asked";
import { FindScreen } from "@/screens/find/find-screen";
import { idFrom } from "@/core/ids";
import { enter } from "@/server/web/page";
import { whoFor } from "@/server/find/who-for";
import { looking, resultsOf, tableOf } from "@/server/find/find-page";
import { startData } from "@/server/find/start-page";

export const metadata: Metadata = { title: "Find" };

export default async function FindPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { db, visitor, now } = await enter("find resources");
  const parameters = await searchParams;
  const asked = askedFrom(parameters);
  const context = await looking(db, visitor, now);
  const results = await resultsOf(db, context, asked, now);
  const chosen = idFrom(parameters.open);
  const atStart = startsHere(asked, chosen);
  const open = chosen ?? results.value.found.hits[0]?.id;
  const [these, table, start] = await Promise.all([
    whoFor(db, visitor, parameters, now),
    atStart || open === undefined ? null : tableOf(db, visitor, context, open, chosen !== undefined, now),
    atStart ? startData(db, context.reader, context.assign.classes, now) : null,
  ]);
  return (
    <FindScreen
      results={results}
      table={{ address: atStart ? null : tableAddress(open, chosen !== undefined), value: table }}
      start={{ address: atStart ? "" : null, value: start }}
      assign={context.assign}
      these={these}
      locale={visitor.locale}
    />
  );
}
