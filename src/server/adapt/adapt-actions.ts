"use server";
import { z } from "zod";
import { gradesOfSpan } from "@/core/content/grade";
import { shelfNames } from "@/core/find/format";
import { adaptedCredit, creditsProblem } from "@/core/resource/adopt";
import { changesBetween, formatChanges } from "@/core/resource/changes";
import { titleOf, type Document } from "@/core/resource/document";
import { DocumentError, parseDocument } from "@/core/resource/schema/document";
import { unfinished } from "@/core/resource/unfinished";
import { withoutOthersVoices } from "@/core/resource/voices";
import { licenceProblem, mayAdapt, startAdaptation } from "@/core/licence/licence";
import type { Db, Queryable } from "@/data/engine/db";
import { proposeChanges, withdrawProposals } from "@/data/share/offers";
import { goOnFromReading } from "@/data/adapt/brought-files";
import * as resources from "@/data/adapt/resources";
import { entriesOf } from "@/data/share/sharing";
import { indexResource, removeFromSearch } from "@/data/find/shelves";
import { act, ActionError } from "../web/act";
import { problemOf } from "../web/problem";
import { permit } from "../web/permissions";
import { gradeBits, subjectBits } from "../share/share";
import { publish } from "./publish";
import { publishable } from "./publishable";
import { tellCurators } from "../share/tell-of-offers";
import type { Visitor } from "../web/session";

const Id = z.number().int().positive();

/** A copy of a resource with its source attached, to be made hers; `voices: "none"`: nobody else speaks in it. */
async function copyOf(db: Db, visitor: Visitor, resource: number, voices: "set aside" | "none"): Promise<Copy> {
  const source = await resources.resourceById(db, resource);
  if (!source?.head) throw new ActionError("neverPublished");
  const revision = (await resources.revisionById(db, source.head))!;
  const allowed = mayAdapt(revision.document.licence, source.owner === visitor.id);
  if (!allowed.allowed) throw new ActionError({ problem: allowed.reason });
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
  (input) => ({ resource: input.resource }),
  async ({ db, visitor, now }, input) => {
    const copy = await copyOf(db, visitor, input.resource, input.voices ?? "set aside");
    return db.transaction(async (tx) => ({ resource: await addCopy(tx, visitor, copy, now) }));
  },
);

/** A copy of hers in which nobody else speaks, published at once: ready to be assigned in place of the original. */
export const copyWithoutVoices = act(
  "adapt resource",
  z.object({ resource: Id }),
  (input) => ({ resource: input.resource }),
  async ({ db, visitor, now }, input) => {
    const copy = await copyOf(db, visitor, input.resource, "none");
    const [problem] = unfinished(copy.document, visitor.id);
    const closed = problem?.problem ?? licenceProblem(copy.document);
    if (closed) throw new ActionError(problemOf("copyNotPublished", { closed }));
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
    if (error instanceof DocumentError) throw new ActionError(problemOf("draftNotSaved", { message: error.message }));
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
  (input) => ({ resource: input.resource }),
  async ({ db, visitor, now }, input) => {
    const document = readDocument(input.document);
    const resource = (await resources.resourceById(db, input.resource))!;
    const old = await resources.draftOf(db, input.resource);
    const credits = old && creditsProblem(old.document, document);
    if (credits) throw new ActionError({ problem: credits });
    return db.transaction(async (tx) => {
      const base = old?.base ?? resource.head;
      const counter = await resources.saveDraft(tx, {
        resource: resource.id,
        document,
        base,
        seen: input.seen,
        by: visitor.id,
        at: now,
      });
      if (counter === null) {
        // Saved, or published, in another window: that goes back, to be put together with what this one has.
        const there = await resources.draftOf(tx, resource.id);
        const head = resource.head === null ? undefined : await resources.revisionById(tx, resource.head);
        const other = there?.document ?? head?.document;
        if (!other) throw new ActionError("deletedInOtherWindow");
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
  (input) => ({ resource: input.resource }),
  async ({ db, visitor, now }, input) => {
    const { resource, document } = await publishable(db, input.resource, input.seen);
    return db.transaction(async (tx) => {
      const revision = await publish(tx, { resource: resource.id, document, author: visitor.id, now });
      await withdrawProposals(tx, resource.id);
      return { number: revision.number, counter: await resources.dropDraft(tx, resource.id) };
    });
  },
);

/**
 * Offers what has changed to the curators of the shelf it stands on. What is there stays until they have decided; offered again, the
 * newer changes are what they decide about. The draft stays hers to go on with.
 */
export const offerDraft = act(
  "edit resource",
  z.object({ resource: Id, seen: z.number().int().min(0) }),
  (input) => ({ resource: input.resource }),
  async ({ db, visitor, now }, input) =>
    db.transaction(async (tx) => {
      const { resource, document } = await publishable(tx, input.resource, input.seen);
      const entries = await entriesOf(tx, [resource.id]);
      // The same curators keep both: what may stand on the wider shelf may stand on the other.
      const shelf = (["commons", "district"] as const).find((one) => entries.some((entry) => entry.shelf === one));
      if (!shelf || resource.head === null) throw new ActionError("noCuratedShelf");
      // Where nothing else was said it stands there for its own grades and subjects.
      const stands = entries.find((entry) => entry.shelf === shelf)!;
      const grades = stands.grades || gradeBits(gradesOfSpan(document.grades));
      const subjects = stands.subjects || subjectBits(document.subjects);
      await proposeChanges(tx, {
        ...{ resource: resource.id, revision: resource.head, document, shelf, grades, subjects },
        ...{ by: visitor.id, district: visitor.district, at: now },
      });
      await tellCurators(tx, visitor, { titles: [titleOf(document)], shelf: shelfNames[shelf] }, now);
      return { shelf: shelfNames[shelf] };
    }),
);

/** Takes changes back that wait for curators. */
export const withdrawDraft = act(
  "edit resource",
  z.object({ resource: Id }),
  (input) => ({ resource: input.resource }),
  async ({ db }, input) => {
    if ((await withdrawProposals(db, input.resource)) === 0) throw new ActionError("nothingWaiting");
    return {};
  },
);

/** Says that she has looked at what the author of the source published since: her version goes on from there. */
export const goOnFromSource = act(
  "edit resource",
  z.object({ resource: Id, revision: Id }),
  (input) => ({ resource: input.resource }),
  async ({ db, visitor, now }, input) => {
    const resource = (await resources.resourceById(db, input.resource))!;
    const revision = await resources.revisionById(db, input.revision);
    const its = resource.source && revision?.resource === resource.source.resource;
    if (!its || !(await permit(db, visitor, "look at resource", { resource: revision.resource }, now)))
      throw new ActionError("revisionGone");
    await resources.followSource(db, resource.id, revision.id);
    return { number: revision.number };
  },
);

/** Says that she has looked at what changed in the file it was made of: from now on that reading counts. */
export const goOnFromFile = act(
  "edit resource",
  z.object({ resource: Id }),
  (input) => input,
  async ({ db }, { resource }) => {
    if (!(await goOnFromReading(db, resource))) throw new ActionError("nothingNewInFile");
    return {};
  },
);

/**
 * A version of her own resource with other words or fewer steps, published at once: ready to be assigned to some students in place of the
 * first. The licence and who is named come from the resource itself.
 */
export const makeVersion = act(
  "edit resource",
  z.object({
    resource: Id,
    title: z.string().trim().min(1, "Give the version a title.").max(300),
    document: z.unknown(),
  }),
  (input) => ({ resource: input.resource }),
  async ({ db, visitor, now }, input) => {
    const sent = readDocument(input.document);
    const copy = await copyOf(db, visitor, input.resource, "set aside");
    const origins = new Map(copy.document.steps.map(({ id, origin }) => [id, origin]));
    const [language] = sent.languages as [string];
    const { licence, credits } = copy.document;
    const steps = sent.steps.map((step) => ({ ...step, origin: origins.get(step.id) ?? step.origin }));
    const document = { ...sent, licence, credits, steps, title: { ...sent.title, [language]: input.title } };
    const changed = formatChanges(changesBetween(copy.document, document));
    document.credits = credits.map((credit, at) => (at === adaptedCredit(document) ? { ...credit, changed } : credit));
    const closed = unfinished(document, visitor.id)[0]?.problem ?? licenceProblem(document);
    if (closed) throw new ActionError(problemOf("versionNotMade", { closed }));
    return db.transaction(async (tx) => {
      const resource = await addCopy(tx, visitor, { source: copy.source, document }, now);
      await publish(tx, { resource, document, author: visitor.id, now });
      await resources.dropDraft(tx, resource);
      return { resource };
    });
  },
);

/**
 * Copies of her own, each with a draft of its own to go on from; what it was made from stays named. Returns their ids, in
 * the order asked for.
 */
export const duplicateResources = act(
  "duplicate resources",
  z.object({ resources: z.array(Id).min(1).max(200, "You can copy up to 200 at once. Nothing was copied.") }),
  (input) => ({ resources: input.resources }),
  ({ db, visitor, now }, input) =>
    db.transaction(async (tx) => {
      const copies: number[] = [];
      for (const id of input.resources) {
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
  (input) => ({ resource: input.resource }),
  ({ db, now }, input) =>
    db.transaction(async (tx) => {
      await resources.setArchived(tx, input.resource, input.archived ? now : null);
      if (input.archived) await removeFromSearch(tx, input.resource);
      else {
        const resource = (await resources.resourceById(tx, input.resource))!;
        if (resource.head)
          await indexResource(tx, resource.id, (await resources.revisionById(tx, resource.head))!.document, true);
      }
      return {};
    }),
);
