import { readFile } from "node:fs/promises";
import path from "node:path";
import { inPaperOrder } from "@/core/resource/paper";
import { allQuestions, titleOf, type Document } from "@/core/resource/document";
import { mediaOf } from "@/core/resource/stored-files";
import type { Queryable } from "@/data/engine/db";
import { mediaByHash } from "@/data/engine/media";
import { publishedOf } from "@/data/engine/read-once";
import { resourceById } from "@/data/adapt/resources";
import { readableAmong } from "@/data/find/search";
import { fileName, type BytesOf, type Outgoing, type OutgoingFile } from "@/formats/outgoing";
import { readKept } from "../web/files";
import type { Visitor } from "../web/session";

const shipped: Readonly<Record<string, { folder: string; ending: string; mime: string }>> = {
  drawing: { folder: "drawings", ending: ".svg", mime: "image/svg+xml" },
  film: { folder: "films", ending: ".webm", mime: "video/webm" },
  sound: { folder: "sounds", ending: ".ogg", mime: "audio/ogg" },
  captions: { folder: "films", ending: ".vtt", mime: "text/vtt" },
};

/** The bytes of a file by its reference: one that is kept, or one that ships with the application. */
export const bytesOf: BytesOf = async (reference) => {
  const [kind, name] = reference.split(":");
  const place = name === undefined ? undefined : shipped[kind!];
  if (!place) return readKept(reference);
  return readFile(
    path.join(/* turbopackIgnore: true */ process.cwd(), "public", place.folder, `${name}${place.ending}`),
  );
};

async function fileOf(db: Queryable, reference: string): Promise<OutgoingFile[]> {
  const mime = shipped[reference.split(":")[0]!]?.mime ?? (await mediaByHash(db, reference))?.mime;
  if (!mime) return [];
  // One that was lost is left out: the rest is worth having.
  const isThere = await bytesOf(reference).then(
    () => true,
    () => false,
  );
  return isThere ? [{ reference, mime, name: fileName(reference, mime) }] : [];
}

export interface Chosen {
  resource: number;
  /** Under which topic it stands. */
  topic: string;
  /** Where its students do it; null: nowhere yet. */
  address?: string | null;
  /** It is opened by a launch from there. */
  launch?: { address: string; work: number };
  /** What it is called where it goes, the same each time. */
  id?: string;
}

/** What goes, and what does not with the reason. */
export interface Gathered {
  outgoing: Outgoing;
  /** With answers and notes, by resource. */
  whole: ReadonlyMap<string, Document>;
  left: string[];
}

/** Everything that is needed to write these resources down in any format. What is not hers to copy, or not published, stays. */
export async function gather(
  db: Queryable,
  visitor: Visitor,
  of: { id: string; title: string },
  chosen: readonly Chosen[],
): Promise<Gathered> {
  const ids = [...new Set(chosen.map(({ resource }) => resource))];
  const readable = new Set(
    await readableAmong(db, { id: visitor.id, school: visitor.school, district: visitor.district }, ids, "copy"),
  );
  const published = await publishedOf(db, ids);
  const topics = new Map<string, Outgoing["topics"][number]["resources"][number][]>();
  const whole = new Map<string, Document>();
  const files = new Map<string, OutgoingFile>();
  const left: string[] = [];
  for (const one of chosen) {
    const document = published.get(one.resource)?.document;
    if (!document || !readable.has(one.resource)) {
      left.push(document ? `“${titleOf(document)}” is not yours to copy.` : "Something that is not published yet.");
      continue;
    }
    const known = (await resourceById(db, one.resource))!;
    if (known.owner !== visitor.id && document.licence === "all-rights-reserved") {
      left.push(`“${titleOf(document)}”: ${known.ownerName} keeps all rights. It can be assigned and printed here.`);
      continue;
    }
    const id = one.id ?? `resource-${one.resource}`;
    const paper = inPaperOrder(document);
    // The same order of choices as on the students' sheets, so that "b" is "b".
    const mixed = new Map(paper.steps.map((step) => [step.id, step]));
    whole.set(id, { ...document, steps: document.steps.map((step) => mixed.get(step.id) ?? step) });
    for (const reference of mediaOf(paper))
      if (!files.has(reference)) for (const file of await fileOf(db, reference)) files.set(reference, file);
    const topic = topics.get(one.topic) ?? [];
    topic.push({
      ...{ id, document: paper, author: known.ownerName, address: one.address ?? null },
      isMaterial: allQuestions(document).length === 0,
      ...(one.launch && allQuestions(document).length > 0 && { launch: one.launch }),
    });
    topics.set(one.topic, topic);
  }
  const first = [...whole.values()][0];
  return {
    ...{ whole, left },
    outgoing: {
      ...{ id: of.id, title: of.title, language: first?.languages[0] ?? "en", files },
      topics: [...topics].map(([title, resources], at) => ({ id: `topic-${at + 1}`, title, resources })),
    },
  };
}
