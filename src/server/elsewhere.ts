import type { Need } from "@/core/find/need";
import { mayAdapt } from "@/core/licence/licence";
import type { Activity } from "@/core/resource/activity";
import type { TakenFrom } from "@/core/resource/adopt";
import { titleOf, type GradeSpan, type Licence, type Step } from "@/core/resource/document";
import type { Db } from "@/data/db";
import { hitsOf } from "@/data/search";
import { resourceById, revisionById } from "@/data/resources";
import { readAs } from "./find";
import { permit } from "./permissions";
import { readerOf } from "./reader";
import type { Visitor } from "./session";

export interface ElsewhereHit {
  id: number;
  title: string;
  author: string;
  grades: GradeSpan;
  licence: Licence;
  doing: Activity[];
}

const MOST_HITS = 30;

/** Resources to take steps from, by the same search as Find; the one being made is not among them. */
export async function findElsewhere(db: Db, visitor: Visitor, need: Need, without: number): Promise<ElsewhereHit[]> {
  const reader = await readerOf(db, visitor);
  const hits = await hitsOf(db, reader, await readAs(db, reader, need), { sort: "best", limit: MOST_HITS });
  return hits
    .filter(({ id }) => id !== without)
    .map(({ id, facts, author }) => ({
      id,
      title: facts.title,
      author,
      grades: facts.grades,
      licence: facts.licence,
      doing: facts.doing,
    }));
}

export interface Elsewhere {
  from: TakenFrom;
  languages: string[];
  steps: Step[];
  /** Why nothing may be taken, or null when it may. */
  closed: string | null;
}

/** The steps of one resource; null when it is not hers to see, or there is nothing published. */
export async function stepsOf(db: Db, visitor: Visitor, id: number, now: Date): Promise<Elsewhere | null> {
  if (!(await permit(db, visitor, "look at resource", { resource: id }, now))) return null;
  const resource = await resourceById(db, id);
  const revision = resource?.head ? await revisionById(db, resource.head) : undefined;
  if (!resource || !revision) return null;
  const { document } = revision;
  const own = resource.owner === visitor.id;
  const allowed = mayAdapt(document.licence, own);
  return {
    from: {
      resource: id,
      revision: revision.id,
      title: titleOf(document),
      author: resource.ownerName,
      source: resource.ownerSchool ?? "the commons",
      licence: document.licence,
      own,
    },
    languages: document.languages,
    steps: document.steps,
    closed: allowed.allowed ? null : allowed.reason,
  };
}
