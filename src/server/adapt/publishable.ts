import { atShelf } from "@/core/find/format";
import { licenceProblem } from "@/core/licence/licence";
import { adaptedCredit } from "@/core/resource/adopt";
import { changesBetween, formatChanges } from "@/core/resource/changes";
import type { Document } from "@/core/resource/document";
import { unfinished } from "@/core/resource/unfinished";
import type { Queryable } from "@/data/engine/db";
import * as resources from "@/data/adapt/resources";
import { passedOn } from "@/data/share/shares";
import { ActionError } from "../web/act";
import { problemOf } from "../web/problem";
import { standing } from "../share/standing";

/**
 * Asks whether a document may be seen wherever its resource is seen now.
 *
 * @throws ActionError with the reasons
 */
export async function refuseWhereSeen(tx: Queryable, resource: resources.Resource, document: Document): Promise<void> {
  const [shelves] = await standing(tx, resource.owner, [document]);
  const away = await passedOn(tx, resource.id);
  const kept = away === "nobody" ? [] : shelves![away === "beyond" ? "district" : "staffroom"];
  if (kept.length > 0)
    throw new ActionError(
      problemOf("notPublishedShared", { who: away, reasons: kept.map(({ text }) => text).join(" ") }),
    );
  for (const shelf of resource.shelves) {
    const reasons = shelves![shelf];
    if (reasons.length > 0)
      throw new ActionError(
        problemOf("notPublishedShelf", { where: atShelf[shelf], reasons: reasons.map(({ text }) => text).join(" ") }),
      );
  }
}

/**
 * The draft of a resource as it can be published now: finished, its licence in order, seen only where it may be. `seen`: the counter of
 * the draft the author is looking at.
 *
 * @throws ActionError with what is missing
 */
export async function publishable(
  db: Queryable,
  id: number,
  seen: number,
): Promise<{ resource: resources.Resource; document: Document }> {
  const [resource, draft] = [(await resources.resourceById(db, id))!, await resources.draftOf(db, id)];
  if (!draft) throw new ActionError("nothingToPublish");
  if ((await resources.editsOf(db, id)) !== seen) throw new ActionError("changedInOtherWindow");
  const [problem] = unfinished(draft.document, resource.owner);
  if (problem) throw new ActionError(problemOf("notPublishedUnfinished", { problem: problem.problem }));
  const licence = licenceProblem(draft.document);
  if (licence) throw new ActionError(problemOf("notPublishedLicence", { licence }));
  let { document } = draft;
  if (resource.source) {
    const source = (await resources.revisionById(db, resource.source.revision))!;
    const changed = formatChanges(changesBetween(source.document, document));
    document = {
      ...document,
      credits: document.credits.map((credit, at) => (at === adaptedCredit(document) ? { ...credit, changed } : credit)),
    };
  }
  await refuseWhereSeen(db, resource, document);
  return { resource, document };
}
