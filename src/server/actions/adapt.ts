"use server";
import { z } from "zod";
import { atShelf } from "@/core/find/say";
import { adaptedCredit, creditsProblem } from "@/core/resource/adopt";
import { changesBetween, sayChanges } from "@/core/resource/changes";
import { titleOf, type Document } from "@/core/resource/document";
import { DocumentError, parseDocument } from "@/core/resource/schema/document";
import { unfinished } from "@/core/resource/unfinished";
import { withoutOthersVoices } from "@/core/resource/voices";
import { licenceProblem, mayAdapt, startAdaptation } from "@/core/licence/licence";
import type { Db, Queryable } from "@/data/db";
import * as resources from "@/data/resources";
import { passedOn } from "@/data/shares";
import { indexResource, removeFromSearch } from "@/data/shelves";
import { act, Refused } from "../act";
import { permit } from "../permissions";
import { publish } from "../publish";
import { standing } from "../standing";
import type { Visitor } from "../session";

const Id = z.number().int().positive();

/** A copy of a resource with its source attached, to be made hers; `voices: "none"`: nobody else speaks in it. */
async function copyOf(db: Db, visitor: Visitor, resource: number, voices: "set aside" | "none"): Promise<Copy> {
  const source = await resources.resourceById(db, resource);
  if (!source?.head) throw new Refused("This has not been published yet.");
  const revision = (await resources.revisionById(db, source.head))!;
  const allowed = mayAdapt(revision.document.licence, source.owner === visitor.id);
  if (!allowed.allowed) throw new Refused(allowed.reason);
  const document = startAdaptation(revision.document, {
    resource: source.id,
    revision: revision.id,
    title: titleOf(revision.document),
    author: source.ownerName,
    source: source.ownerSchool ?? "the commons",
  });
  return { source: revision.id, document: voices === "none" ? withoutOthersVoices(document, visitor.id) : document };
}

interface Copy {
  source: number;
  document: Document;
}

async function addCopy(tx: Queryable, visitor: Visitor, { source, document }: Copy, now: Date): Promise<number> {
  const resource = await resources.addResource(tx, {
    district: visitor.district,
    owner: visitor.id,
    source,
    created: now,
  });
  await resources.saveDraft(tx, { resource, document, base: null, seen: 0, by: visitor.id, at: now });
  await indexResource(tx, resource, document, false);
  return resource;
}

/** Starts a version of hers from a resource she may read: a copy with its source attached. Returns its id. */
export const adaptResource = act(
  "adapt resource",
  z.object({ resource: Id, voices: z.enum(["set aside", "none"]).optional() }),
  (given) => ({ resource: given.resource }),
  async ({ db, visitor, now }, given) => {
    const copy = await copyOf(db, visitor, given.resource, given.voices ?? "set aside");
    return db.transaction(async (tx) => ({ resource: await addCopy(tx, visitor, copy, now) }));
  },
);

/** A copy of hers in which nobody else speaks, published at once: ready to be assigned in place of the original. */
export const copyWithoutVoices = act(
  "adapt resource",
  z.object({ resource: Id }),
  (given) => ({ resource: given.resource }),
  async ({ db, visitor, now }, given) => {
    const copy = await copyOf(db, visitor, given.resource, "none");
    const [problem] = unfinished(copy.document, visitor.id);
    const closed = problem?.problem ?? licenceProblem(copy.document);
    if (closed) throw new Refused(`The copy cannot be published: ${closed}`);
    return db.transaction(async (tx) => {
      const resource = await addCopy(tx, visitor, copy, now);
      await publish(tx, { resource, document: copy.document, author: visitor.id, now });
      await resources.dropDraft(tx, resource);
      return { resource, title: titleOf(copy.document) };
    });
  },
);

/** Starts a resource from nothing. */
export const makeResource = act(
  "make resource",
  z.object({ title: z.string().trim().min(1, "Give it a title.").max(300) }),
  ({ db, visitor, now }, { title }) => {
    const language = visitor.locale.split("-")[0]!;
    const document = parseDocument({
      schema: 1,
      languages: [language],
      title: { [language]: title },
      kind: "lesson",
      grades: { from: 4, to: 5 },
      subjects: ["mathematics"],
      licence: "CC-BY-4.0",
      steps: [],
    });
    return db.transaction(async (tx) => {
      const resource = await resources.addResource(tx, {
        district: visitor.district,
        owner: visitor.id,
        source: null,
        created: now,
      });
      await resources.saveDraft(tx, { resource, document, base: null, seen: 0, by: visitor.id, at: now });
      await indexResource(tx, resource, document, false);
      return { resource };
    });
  },
);

function readDocument(value: unknown): Document {
  try {
    return parseDocument(value);
  } catch (error) {
    if (error instanceof DocumentError) throw new Refused(`${error.message}. What was saved before is kept.`);
    throw error;
  }
}

/**
 * Saves the draft. `seen` is the counter of the draft this window last knew; when another window has saved since, nothing
 * is written, `conflict` is true, and what was saved there comes back.
 */
export const saveDraft = act(
  "edit resource",
  z.object({ resource: Id, seen: z.number().int().min(0), document: z.unknown() }),
  (given) => ({ resource: given.resource }),
  async ({ db, visitor, now }, given) => {
    const document = readDocument(given.document);
    const resource = (await resources.resourceById(db, given.resource))!;
    const old = await resources.draftOf(db, given.resource);
    const credits = old && creditsProblem(old.document, document);
    if (credits) throw new Refused(credits);
    return db.transaction(async (tx) => {
      const base = old?.base ?? resource.head;
      const counter = await resources.saveDraft(tx, {
        resource: resource.id,
        document,
        base,
        seen: given.seen,
        by: visitor.id,
        at: now,
      });
      if (counter === null) {
        // Saved, or published, in another window: that goes back, to be put together with what this one has.
        const there = await resources.draftOf(tx, resource.id);
        const head = resource.head === null ? undefined : await resources.revisionById(tx, resource.head);
        const other = there?.document ?? head?.document;
        if (!other) throw new Refused("This was taken away in another window. What you see here is not saved.");
        return { conflict: true as const, counter: await resources.editsOf(tx, resource.id), document: other };
      }
      if (resource.head === null) await indexResource(tx, resource.id, document, false);
      return { conflict: false as const, counter };
    });
  },
);

/** Makes the draft a revision that never changes again, and ends the draft. */
export const publishDraft = act(
  "edit resource",
  z.object({ resource: Id, seen: z.number().int().min(0) }),
  (given) => ({ resource: given.resource }),
  async ({ db, visitor, now }, given) => {
    const [resource, draft] = [
      (await resources.resourceById(db, given.resource))!,
      await resources.draftOf(db, given.resource),
    ];
    if (!draft) throw new Refused("There is nothing new to publish.");
    if ((await resources.editsOf(db, given.resource)) !== given.seen)
      throw new Refused("This was changed in another window since. Look at that first; both are kept.");
    const [problem] = unfinished(draft.document, resource.owner);
    if (problem) throw new Refused(`Not published yet: ${problem.problem}`);
    const licence = licenceProblem(draft.document);
    if (licence) throw new Refused(`Not published yet: ${licence}`);
    let { document } = draft;
    if (resource.source) {
      const source = (await resources.revisionById(db, resource.source.revision))!;
      const changed = sayChanges(changesBetween(source.document, document));
      document = {
        ...document,
        credits: document.credits.map((credit, at) =>
          at === adaptedCredit(document) ? { ...credit, changed } : credit,
        ),
      };
    }
    const [shelves] = await standing(db, resource.owner, [document]);
    const away = await passedOn(db, resource.id);
    const kept = away === "nobody" ? [] : shelves![away === "beyond" ? "district" : "staffroom"];
    if (kept.length > 0)
      throw new Refused(
        `Not published yet: ${away === "beyond" ? "people outside your school" : "colleagues"} can see it, and they may not see this. ${kept.map(({ text }) => text).join(" ")} Change that, or take it back from them first (under Share).`,
      );
    for (const shelf of resource.shelves) {
      const reasons = shelves![shelf];
      if (reasons.length > 0)
        throw new Refused(
          `Not published yet: it is ${atShelf[shelf]}, and this may not be. ${reasons.map(({ text }) => text).join(" ")} Change that, or take it off the shelf first.`,
        );
    }
    return db.transaction(async (tx) => {
      const revision = await publish(tx, { resource: resource.id, document, author: visitor.id, now });
      return { number: revision.number, counter: await resources.dropDraft(tx, resource.id) };
    });
  },
);

/** Says that she has looked at what the author of the source published since: her version goes on from there. */
export const goOnFromSource = act(
  "edit resource",
  z.object({ resource: Id, revision: Id }),
  (given) => ({ resource: given.resource }),
  async ({ db, visitor, now }, given) => {
    const resource = (await resources.resourceById(db, given.resource))!;
    const revision = await resources.revisionById(db, given.revision);
    const its = resource.source && revision?.resource === resource.source.resource;
    if (!its || !(await permit(db, visitor, "look at resource", { resource: revision.resource }, now)))
      throw new Refused("That revision is not here any more.");
    await resources.followSource(db, resource.id, revision.id);
    return { number: revision.number };
  },
);

/**
 * Copies of her own, each with a draft of its own to go on from; what it was made from stays named. Returns their ids, in
 * the order asked for.
 */
export const duplicateResources = act(
  "duplicate resources",
  z.object({ resources: z.array(Id).min(1).max(200, "At most 200 at once, please. Nothing was copied.") }),
  (given) => ({ resources: given.resources }),
  ({ db, visitor, now }, given) =>
    db.transaction(async (tx) => {
      const copies: number[] = [];
      for (const id of given.resources) {
        const original = (await resources.resourceById(tx, id))!;
        const draft = await resources.draftOf(tx, id);
        const document =
          draft?.document ??
          (original.head === null ? undefined : (await resources.revisionById(tx, original.head))?.document);
        if (!document) continue;
        const [language] = document.languages as [string];
        const copy = {
          ...document,
          title: { ...document.title, [language]: `${titleOf(document)} (copy)`.slice(0, 300) },
        };
        const resource = await resources.addResource(tx, {
          district: visitor.district,
          owner: visitor.id,
          source: original.source?.revision ?? null,
          created: now,
        });
        await resources.saveDraft(tx, { resource, document: copy, base: null, seen: 0, by: visitor.id, at: now });
        await indexResource(tx, resource, copy, false);
        copies.push(resource);
      }
      return copies;
    }),
);

/** Puts her own resources away, or, with `archived` false, brings them back. Running assignments go on. */
export const archiveResource = act(
  "edit resource",
  z.object({ resource: Id, archived: z.boolean() }),
  (given) => ({ resource: given.resource }),
  ({ db, now }, given) =>
    db.transaction(async (tx) => {
      await resources.setArchived(tx, given.resource, given.archived ? now : null);
      if (given.archived) await removeFromSearch(tx, given.resource);
      else {
        const resource = (await resources.resourceById(tx, given.resource))!;
        if (resource.head)
          await indexResource(tx, resource.id, (await resources.revisionById(tx, resource.head))!.document, true);
      }
      return {};
    }),
);
