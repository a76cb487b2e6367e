import { shelfNames } from "@/core/find/format";
import type { Document } from "@/core/resource/document";
import type { Unfinished } from "@/core/resource/unfinished";
import { storedFiles } from "@/core/resource/stored-files";
import type { Db } from "@/data/engine/db";
import { classesWith } from "@/data/assign/assignments";
import { offersFor, waitingProposal } from "@/data/share/offers";
import { broughtFileOf } from "@/data/adapt/brought-files";
import { draftOf, editsOf, resourceById, revisionById, revisionsOf } from "@/data/adapt/resources";
import { goneAmong } from "../files/files";
import { permit } from "../web/permissions";
import type { Visitor } from "../web/session";

/** What the editor opens: the draft, or the head where there is none; and the revision it was adapted from. */
export interface AdaptData {
  resource: number;
  /** The author: her own voice needs no leave. */
  me: { id: number; name: string };
  document: Document;
  /** How often it was saved: never the same twice. */
  counter: number;
  hasDraft: boolean;
  published: boolean;
  /** Classes that have it to do now: what they have stays as it is. */
  running: string[];
  /** What a curator pinned to its steps when it was sent back, until it is offered again. */
  sentBack: Unfinished[];
  /** The curated shelf it stands on, where others than she decide what stands there; null: what she publishes asks nobody. */
  curated: string | null;
  /** Her changes wait for the curators of that shelf since then. */
  offered: Date | null;
  /** Files it shows or plays that are stored no more. */
  gone: string[];
  saved: Date | null;
  source: {
    author: string;
    number: number;
    document: Document;
    /** What its author has published since, as long as she may see it. */
    newer: { revision: number; number: number; document: Document } | null;
  } | null;
  /** The file it was made of, where that was brought in again and is another now. */
  file: { name: string; document: Document; newer: Document } | null;
  /** Her own, the newest first. */
  revisions: { id: number; number: number; created: Date }[];
}

/** For a resource the caller has been found to own. */
export async function adaptData(db: Db, visitor: Visitor, id: number, now: Date): Promise<AdaptData | null> {
  const [resource, draft] = await Promise.all([resourceById(db, id), draftOf(db, id)]);
  if (!resource) return null;
  const [counter, head, source, revisions, running, file] = await Promise.all([
    editsOf(db, id),
    resource.head === null ? undefined : revisionById(db, resource.head),
    sourceOf(db, visitor, resource.source, now),
    revisionsOf(db, id),
    classesWith(db, visitor.id, id, now),
    broughtFileOf(db, id),
  ]);
  const document = draft?.document ?? head?.document;
  if (!document) return null;
  const curated = (["commons", "district"] as const).find((shelf) => resource.shelves.includes(shelf));
  return {
    resource: id,
    me: { id: visitor.id, name: `${visitor.givenName} ${visitor.familyName}` },
    document,
    counter,
    hasDraft: draft !== undefined,
    published: resource.head !== null,
    running,
    sentBack: await notesSentBack(db, id, document),
    curated: curated && !visitor.roles.includes("curator") ? shelfNames[curated] : null,
    offered: (await waitingProposal(db, id))?.at ?? null,
    gone: await goneAmong(storedFiles(document)),
    saved: draft?.saved ?? head?.created ?? null,
    source,
    file: file?.newer ? { name: file.name, document: file.document, newer: file.newer } : null,
    revisions: revisions.map(({ id: revision, number, created }) => ({ id: revision, number, created })),
  };
}

async function sourceOf(
  db: Db,
  visitor: Visitor,
  source: { resource: number; revision: number; author: string } | null,
  now: Date,
): Promise<AdaptData["source"]> {
  const revision = source && (await revisionById(db, source.revision));
  if (!source || !revision) return null;
  const { author } = source;
  const visible = await permit(db, visitor, "look at resource", { resource: source.resource }, now);
  const head = visible ? (await resourceById(db, source.resource))?.head : null;
  const newer = head && head !== revision.id ? await revisionById(db, head) : undefined;
  return {
    author,
    number: revision.number,
    document: revision.document,
    newer: newer ? { revision: newer.id, number: newer.number, document: newer.document } : null,
  };
}

async function notesSentBack(db: Db, resource: number, document: Document): Promise<Unfinished[]> {
  const [last] = (await offersFor(db, [resource])).filter(({ state }) => state !== "withdrawn");
  if (last?.state !== "returned") return [];
  const by = last.decidedByName ?? "A curator";
  const notes = [...(last.note ? [{ step: null, text: last.note }] : []), ...last.pins];
  return notes.map(({ step, text }) => ({
    step: document.steps.some(({ id }) => id === step) ? step : null,
    problem: `${by}: ${text}`,
  }));
}
