import { mayAdapt } from "@/core/licence/licence";
import type { Document } from "@/core/resource/document";
import { factsOf, type Facts } from "@/core/resource/facts";
import type { Db } from "@/data/db";
import { adaptationsBy, draftOf, resourceById, revisionById, type Resource } from "@/data/resources";
import { satchelIds } from "@/data/satchel";
import { usedAtSchool } from "@/data/search";
import { permit } from "./permissions";
import type { Visitor } from "./session";

/** Everything the light table shows of one resource. */
export interface LightTableData {
  resource: Resource;
  /** The head, or her draft while nothing is published. */
  document: Document;
  facts: Facts;
  published: boolean;
  mine: boolean;
  packed: boolean;
  /** Her own versions of it, newest first. */
  myVersions: number[];
  adapting: ReturnType<typeof mayAdapt>;
  usedHere: number;
}

/** Null when it is not there, or not hers to see. */
export async function lightTable(
  db: Db,
  visitor: Visitor,
  id: number | undefined,
  now: Date,
): Promise<LightTableData | null> {
  if (id === undefined || !(await permit(db, visitor, "look at resource", { resource: id }, now))) return null;
  const resource = (await resourceById(db, id))!;
  const revision = resource.head === null ? undefined : await revisionById(db, resource.head);
  const document = revision?.document ?? (await draftOf(db, id))?.document;
  if (!document) return null;
  const mine = resource.owner === visitor.id;
  const [satchel, myVersions, usedHere] = await Promise.all([
    satchelIds(db, visitor.id),
    adaptationsBy(db, visitor.id, id),
    usedAtSchool(db, visitor.school, id),
  ]);
  return {
    resource,
    document,
    facts: factsOf(document),
    published: resource.head !== null,
    mine,
    packed: !mine && satchel.includes(id),
    myVersions,
    adapting: mayAdapt(document.licence, mine),
    usedHere,
  };
}
