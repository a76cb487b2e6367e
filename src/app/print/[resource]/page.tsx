import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { addDays, schoolClock } from "@/core/calendar/school-calendar";
import { idFrom } from "@/core/ids";
import { forPaper } from "@/core/resource/paper";
import { catalogues } from "@/messages/catalogues";
import { chooseLanguage } from "@/messages/choose-language";
import { PaperScreen } from "@/screens/print/paper-screen";
import { plainerForFamilies } from "@/server/find/plainer";
import { lightTable } from "@/server/find/light-table";
import { enter } from "@/server/web/page";

/** Six weeks, then an address for a child ends by itself. */
const LINK_DAYS = 42;

export const metadata: Metadata = { title: "Print" };

/** A resource on paper. `?print=key` the answer key, `both` both, `family` an edition for a family; `?reads=es` one of its other languages. */
export default async function PrintPage({
  params,
  searchParams,
}: {
  params: Promise<{ resource: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const resource = idFrom((await params).resource) ?? -1;
  const { db, visitor, now } = await enter("look at resource", { resource });
  const data = await lightTable(db, visitor, resource, now);
  if (!data) notFound();
  const { print, reads } = await searchParams;
  const { document } = data;
  const read = document.languages.find((one) => one === reads) ?? document.languages[0]!;
  return (
    <PaperScreen
      author={data.resource.ownerName}
      tools={{
        ...{ resource, mine: data.mine, plainer: print === "family" ? plainerForFamilies(document, read) : [] },
        linkUntil: addDays(schoolClock(now, visitor.zone).date, LINK_DAYS),
      }}
      document={document}
      paper={forPaper(document)}
      what={print === "key" || print === "both" || print === "family" ? print : "students"}
      words={catalogues[chooseLanguage(undefined, read)].familySheet}
      reads={read}
    />
  );
}
