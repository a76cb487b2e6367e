import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { countOpened } from "@/data/share/links";
import { LinkScreen } from "@/screens/link/link-screen";
import { linkedThings, openLink } from "@/server/share/link";
import { inScript, lrmi } from "@/formats/lrmi";
import { baseAddress } from "@/server/web/base-address";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Shared with you", robots: { index: false, follow: false } };

/** What somebody shared by a link, for anybody who has it: the light table and nothing else. `?thing=2` the second of several. */
export default async function LookPage({
  params,
  searchParams,
}: {
  params: Promise<{ token: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { db, visitor } = await enter("open a link");
  const { token } = await params;
  const link = await openLink(db, token);
  if (!link) notFound();
  const things = await linkedThings(db, link, token);
  const { thing, ...others } = await searchParams;
  // Paging through it is not opening it again.
  if (thing === undefined && Object.keys(others).length === 0) await countOpened(db, link.id);
  const shown = things[Number(thing) - 1] ?? things[0]!;
  const about = lrmi(shown.document, { author: link.byName, address: `${await baseAddress()}/look/${token}` });
  return (
    <>
      {/* What it is, for other systems (LRMI): a block of data, which no browser runs. */}
      <script type="application/ld+json" dangerouslySetInnerHTML={{ __html: inScript(about) }} />
      <LinkScreen
        token={token}
        by={link.byName}
        name={link.name}
        mayCopy={link.way === "copy"}
        teacherPart={link.teacherPart}
        titles={things.map(({ facts }) => facts.title)}
        at={things.indexOf(shown)}
        shown={shown}
        reader={
          visitor?.kind === "adult" && visitor.roles.includes("teacher") ? { mine: visitor.id === link.by } : null
        }
      />
    </>
  );
}
