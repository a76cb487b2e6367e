import type { Need } from "@/core/find/need";
import { partsOf, ranked, type Part } from "@/core/find/parts";
import { mayAdapt } from "@/core/licence/licence";
import type { Activity } from "@/core/content/vocabulary";
import type { TakenFrom } from "@/core/resource/adopt";
import { titleOf, type GradeSpan, type Licence, type Step } from "@/core/resource/document";
import type { QuestionType } from "@/core/question/question";
import type { Db } from "@/data/engine/db";
import { hitsOf } from "@/data/find/search";
import { publishedOf, readRevision } from "@/data/engine/read-once";
import { resourceById } from "@/data/adapt/resources";
import { readAs } from "../find/find";
import { permit } from "../web/permissions";
import { readerOf } from "../find/reader";
import type { Visitor } from "../web/session";

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

export interface PartHit extends Part {
  resource: number;
  title: string;
  author: string;
  grades: GradeSpan;
  licence: Licence;
}

const MOST_PARTS = 40;

/** Single steps and questions that have the words, ranked by themselves; `type`: only questions of it. */
export async function findParts(
  db: Db,
  visitor: Visitor,
  need: Need,
  type: QuestionType | null,
  without: number,
): Promise<PartHit[]> {
  const hits = await findElsewhere(db, visitor, need, without);
  const heads = await publishedOf(
    db,
    hits.map(({ id }) => id),
  );
  const parts = hits.flatMap(({ id, title, author, grades, licence }) => {
    const head = heads.get(id);
    const found = head ? partsOf(head.document, need.words, type) : [];
    return found.map((part): PartHit => ({ ...part, resource: id, title, author, grades, licence }));
  });
  return ranked(parts).slice(0, MOST_PARTS);
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
  if (!(await permit(db, visitor, "adapt resource", { resource: id }, now))) return null;
  const resource = await resourceById(db, id);
  const revision = resource?.head ? await readRevision(db, resource.head) : undefined;
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
