import { mayAdapt } from "@/core/licence/licence";
import { fitOf, type ClassProfile, type Fit } from "@/core/fit/fit";
import { foreignSigns, type Sign } from "@/core/locale/country";
import { readingOf, type Reading } from "@/core/readability/hard";
import type { CuratedShelf } from "@/core/sharing/how-far";
import { ownerIn } from "@/data/share/sharing";
import type { Document } from "@/core/resource/document";
import { factsOf, type Facts } from "@/core/resource/facts";
import { measuredText } from "@/core/resource/student-text";
import type { Db } from "@/data/engine/db";
import { adaptationsBy, adaptersOf, draftOf, originalOf, resourceById, type Resource } from "@/data/adapt/resources";
import { readRevision } from "@/data/engine/read-once";
import { editionsOf, type OtherEdition } from "@/data/find/editions";
import { isFollowing } from "@/data/find/saved-searches";
import { notesOfUse, type NoteOfUse } from "@/data/find/notes-of-use";
import { mayReadAll, usesAtSchool, type UsedHere } from "@/data/find/search";
import { standardsByCode } from "@/data/find/standards";
import { readerOf } from "./reader";
import { permit } from "../web/permissions";
import { commonSpanish } from "./word-files";
import type { Visitor } from "../web/session";

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
  /** It was shown to her and is not hers to copy or to assign. */
  lookOnly: boolean;
  usedHere: number;
  /** What it was adapted from, where she may see that. */
  original: { id: number; title: string } | null;
  /** Of hers: who made a version of it; at her school by name. */
  adapters: { names: string[]; others: number };
  /** The classes of her school that used it, with who assigned it last. */
  usesHere: UsedHere[];
  reading: Reading;
  /** For the class in the top bar; null without one. */
  fit: Fit | null;
  /** What her own school's teachers said. */
  notes: (NoteOfUse & { mine: boolean })[];
  /** All editions of its work she may see, itself included; fewer than two: nothing to confuse. */
  editions: OtherEdition[];
  following: boolean;
  statements: { code: string; statement: string }[];
  /** Shelves it stands on that she keeps as a curator. */
  keeps: CuratedShelf[];
  /** What in its text speaks of another country than hers. */
  foreign: Sign[];
}

interface Measured {
  facts: Facts;
  reading: Reading;
}

const MOST_MEASURED = 500;
const measured = new Map<number, Measured>();

const measure = (document: Document): Measured => ({
  facts: factsOf(document),
  reading: readingOf(measuredText(document), document.languages[0]!, {
    grade: document.grades.from,
    commonSpanish: commonSpanish(),
  }),
});

/** A revision never changes: what was measured in it is measured once, for the last few hundred that were looked at. */
function measuredOnce(revision: number, document: Document): Measured {
  const known = measured.get(revision) ?? measure(document);
  measured.delete(revision);
  measured.set(revision, known);
  if (measured.size > MOST_MEASURED) measured.delete(measured.keys().next().value!);
  return known;
}

/** Null when it is not there, or not hers to see. */
export async function lightTable(
  db: Db,
  visitor: Visitor,
  id: number | undefined,
  now: Date,
  profile: ClassProfile | null = null,
): Promise<LightTableData | null> {
  if (id === undefined || !(await permit(db, visitor, "look at resource", { resource: id }, now))) return null;
  const resource = (await resourceById(db, id))!;
  const mine = resource.owner === visitor.id;
  const [revision, mayCopy, reader] = await Promise.all([
    resource.head === null ? undefined : readRevision(db, resource.head),
    mine || mayReadAll(db, visitor, [id], "copy"),
    readerOf(db, visitor),
  ]);
  const document = revision?.document ?? (await draftOf(db, id))?.document;
  if (!document) return null;
  const lookOnly = !mayCopy;
  const { facts, reading } = revision ? measuredOnce(revision.id, document) : measure(document);
  const [myVersions, usesHere, notes, editions, following, statements, source, adapters] = await Promise.all([
    adaptationsBy(db, visitor.id, id),
    usesAtSchool(db, visitor.school, id),
    notesOfUse(db, visitor.school, id),
    document.edition ? editionsOf(db, reader, id) : [],
    isFollowing(db, visitor.id, resource.owner),
    facts.standards.length > 0 ? standardsByCode(db, visitor.district, facts.standards) : [],
    originalOf(db, id),
    mine ? adaptersOf(db, id, visitor.school) : { names: [], others: 0 },
  ]);
  const original =
    source && (await permit(db, visitor, "look at resource", { resource: source.id }, now)) ? source : null;
  return {
    resource,
    document,
    facts,
    published: resource.head !== null,
    mine,
    packed: !mine && reader.satchel.includes(id),
    myVersions,
    lookOnly,
    adapting: lookOnly
      ? { allowed: false, reason: `${resource.ownerName} shared it to look at only.` }
      : mayAdapt(document.licence, mine),
    usedHere: usesHere.length,
    usesHere,
    original,
    adapters,
    reading,
    fit: profile && fitOf(facts, profile),
    notes: notes.map((note) => ({ ...note, mine: note.person === visitor.id })),
    editions,
    following,
    statements: statements
      .filter(({ code }) => facts.standards.includes(code))
      .map(({ code, statement }) => ({ code, statement })),
    keeps:
      visitor.roles.includes("curator") && (await ownerIn(db, visitor.district, id))
        ? resource.shelves.filter((shelf) => shelf !== "staffroom")
        : [],
    foreign: profile ? foreignSigns(facts.signs, profile.country) : facts.signs,
  };
}
