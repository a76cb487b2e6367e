import type { LookedResource } from "@/core/assign/finding";
import { languageName } from "@/core/locale/names";
import type { Facts } from "@/core/resource/facts";
import type { Db } from "@/data/engine/db";
import { kinOf } from "@/data/plan/plan";
import { publishedOf } from "@/data/engine/read-once";
import { headsOf } from "@/data/adapt/resources";
import { readableAmong } from "@/data/find/search";
import { goneAmong } from "../files/files";
import type { Visitor } from "../web/session";

/** What is given: a resource as it is published now. */
export type ResourceToAssign = LookedResource & { revision: number };

/** What is given, in the order asked for; what is not published is left out. */
export async function resourcesToAssign(db: Db, visitor: Visitor, ids: readonly number[]): Promise<ResourceToAssign[]> {
  const [heads, published] = await Promise.all([headsOf(db, ids), publishedOf(db, ids)]);
  const headOf = new Map(heads.map((head) => [head.id, head]));
  return Promise.all(
    ids
      .flatMap((id) => headOf.get(id) ?? [])
      .map(async ({ ownerSchool, ...head }) => {
        const { id: revision, document, files } = published.get(head.id)!;
        return {
          ...{ ...head, revision, document, title: head.facts.title, gone: await goneAmong(files) },
          mine: head.owner === visitor.id,
          sameSchool: ownerSchool === visitor.schoolName,
        };
      }),
  );
}

export interface Version {
  id: number;
  /** The resource it is a version of. */
  of: number;
  revision: number;
  ownerName: string;
  facts: Facts;
}

/** The versions of resources she may give in their place, in their order. Documents are not read: only what is chosen by is. */
export async function versionsForAll(db: Db, visitor: Visitor, resources: readonly number[]): Promise<Version[]> {
  const kin = await kinOf(db, resources);
  if (kin.length === 0) return [];
  const readable = await readableAmong(db, visitor, [...new Set(kin.map(({ id }) => id))], "copy");
  const heads = new Map((await headsOf(db, readable)).map((head) => [head.id, head]));
  return kin.flatMap(({ of, id }) => {
    const head = heads.get(id);
    return head ? [{ id, of, revision: head.revision, ownerName: head.ownerName, facts: head.facts }] : [];
  });
}

export const versionsFor = (db: Db, visitor: Visitor, resource: number): Promise<Version[]> =>
  versionsForAll(db, visitor, [resource]);

/** What a version is called beside the first one, as long as no other is called the same: "the shorter version". */
function versionName(version: Facts, main: Facts): string {
  if (version.languages[0] !== main.languages[0]) return `the ${languageName(version.languages[0]!)} version`;
  if (version.minutes < main.minutes) return "the shorter version";
  if (version.readingGrade !== null && main.readingGrade !== null && version.readingGrade < main.readingGrade - 0.3)
    return "the easier version";
  return `“${version.title}”`;
}

/**
 * What the versions given are called, by id. Two that would be called the same are told apart by their titles, and by
 * whose they are where even those are one.
 */
export function versionNames(
  versions: readonly Pick<Version, "id" | "ownerName" | "facts">[],
  main: Facts,
): Map<number, string> {
  const ways = [
    (version: (typeof versions)[number]) => versionName(version.facts, main),
    (version: (typeof versions)[number]) => `“${version.facts.title}”`,
    (version: (typeof versions)[number]) => `${version.ownerName}’s “${version.facts.title}”`,
    (version: (typeof versions)[number]) =>
      `${version.ownerName}’s “${version.facts.title}” (${version.facts.minutes} min)`,
  ];
  return new Map(
    versions.map((version) => {
      const way = ways.find((name) => versions.every((one) => one.id === version.id || name(one) !== name(version)));
      return [version.id, (way ?? ways.at(-1)!)(version)];
    }),
  );
}
