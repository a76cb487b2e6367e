import type { Metadata } from "next";
import { crosswalk, coveredBy, frameworksOf, treeOf } from "@/data/find/standards";
import { StandardsScreen } from "@/screens/find/standards-screen";
import { chosenClass } from "@/server/classes/chosen-class";
import { idFrom } from "@/core/ids";
import { enter } from "@/server/web/page";
import { readerOf } from "@/server/find/reader";

export const metadata: Metadata = { title: "Standards" };

export default async function StandardsPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { db, visitor, now } = await enter("browse standards");
  const parameters = await searchParams;
  const [frameworks, { current }, reader] = await Promise.all([
    frameworksOf(db, visitor.district),
    chosenClass(db, visitor, now),
    readerOf(db, visitor),
  ]);
  const framework = frameworks.find((one) => one.id === idFrom(parameters.framework)) ?? frameworks[0] ?? null;
  const asked = idFrom(parameters.at);
  const [tree, covered] = await Promise.all([
    framework ? treeOf(db, reader, framework.id) : [],
    current ? coveredBy(db, current.id, now) : [],
  ]);
  // Only of a statement she may see: one of another district's answers like none.
  const at = tree.find((node) => node.id === asked)?.id ?? null;
  const elsewhere = at === null ? [] : await crosswalk(db, visitor.district, at);
  return (
    <StandardsScreen
      frameworks={frameworks}
      framework={framework}
      tree={tree}
      covered={covered}
      className={current?.name ?? null}
      grades={current ? { from: current.gradeFrom, to: current.gradeTo } : null}
      at={at}
      elsewhere={elsewhere}
      mayImport={visitor.roles.includes("curator")}
    />
  );
}
