import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { forPaper } from "@/core/resource/paper";
import { catalogues } from "@/messages/catalogues";
import { chooseLanguage } from "@/messages/choose-language";
import { PaperScreen } from "@/screens/print/paper-screen";
import { linkedThings, openLink } from "@/server/share/link";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Print", robots: { index: false, follow: false } };

/** What a link shows, on paper; with an answer key where its maker shares the teacher's part. */
export default async function LookPrintPage({
  params,
  searchParams,
}: {
  params: Promise<{ token: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { db } = await enter("open a link");
  const { token } = await params;
  const link = await openLink(db, token);
  if (!link) notFound();
  const { thing, print, reads } = await searchParams;
  const things = await linkedThings(db, link, token);
  const { document } = things[Number(thing) - 1] ?? things[0]!;
  const read = document.languages.find((one) => one === reads) ?? document.languages[0]!;
  return (
    <PaperScreen
      tools={null}
      words={catalogues[chooseLanguage(undefined, read)].familySheet}
      author={link.byName}
      document={document}
      paper={forPaper(document)}
      withKey={link.teacherPart}
      what={link.teacherPart && (print === "key" || print === "both") ? print : "students"}
      reads={read}
    />
  );
}
