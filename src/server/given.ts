import type { LookedResource } from "@/core/assign/finding";
import { languageName } from "@/core/find/also";
import type { Document } from "@/core/resource/document";
import type { Facts } from "@/core/resource/facts";
import type { Db } from "@/data/db";
import { kinOf } from "@/data/plan";
import { factsOfHead, resourceById, revisionById } from "@/data/resources";
import { mayRead } from "@/data/search";
import type { Visitor } from "./session";

/** What is given: a resource as it is published now. */
export type Given = LookedResource & { revision: number };

const MOST_KEPT = 200;
const documents = new Map<number, Document>();

/** A revision never changes: it is read and checked once, for the last two hundred that were given. */
async function documentOf(db: Db, revision: number): Promise<Document> {
  const document = documents.get(revision) ?? (await revisionById(db, revision))!.document;
  documents.delete(revision);
  documents.set(revision, document);
  if (documents.size > MOST_KEPT) documents.delete(documents.keys().next().value!);
  return document;
}

export async function givenOf(db: Db, visitor: Visitor, id: number): Promise<Given | null> {
  const resource = await resourceById(db, id);
  if (!resource?.head) return null;
  const document = await documentOf(db, resource.head);
  const facts = await factsOfHead(db, id);
  return {
    id,
    revision: resource.head,
    title: facts.title,
    document,
    facts,
    owner: resource.owner,
    ownerName: resource.ownerName,
    mine: resource.owner === visitor.id,
    sameSchool: resource.ownerSchool === visitor.schoolName,
  };
}

export interface Version {
  id: number;
  revision: number;
  ownerName: string;
  facts: Facts;
}

/** The versions of a resource she may give in its place. Their documents are not read: only what is chosen by is. */
export async function versionsFor(db: Db, visitor: Visitor, resource: number): Promise<Version[]> {
  const found: Version[] = [];
  for (const id of await kinOf(db, resource)) {
    if (!(await mayRead(db, visitor, id))) continue;
    const version = await resourceById(db, id);
    if (version?.head)
      found.push({ id, revision: version.head, ownerName: version.ownerName, facts: await factsOfHead(db, id) });
  }
  return found;
}

/** What a version is called beside the first one: "the shorter version". */
export function versionName(
  version: Pick<Facts, "languages" | "minutes" | "readingGrade" | "title">,
  main: Facts,
): string {
  if (version.languages[0] !== main.languages[0]) return `the ${languageName(version.languages[0]!)} version`;
  if (version.minutes < main.minutes) return "the shorter version";
  if (version.readingGrade !== null && main.readingGrade !== null && version.readingGrade < main.readingGrade - 0.3)
    return "the easier version";
  return `“${version.title}”`;
}
