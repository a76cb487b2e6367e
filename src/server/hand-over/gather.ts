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
import { fileName, type BytesOf, type Outgoing, type OutgoingFile, type OutgoingResource } from "@/formats/outgoing";
import { goneAmong, readKept } from "../files/files";
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

/** Those of these files that are there. One that was lost is left out: the rest is worth having. */
async function filesAmong(db: Queryable, references: readonly string[]): Promise<Map<string, OutgoingFile>> {
  const isShipped = (reference: string) => shipped[reference.split(":")[0]!] !== undefined;
  const gone = new Set(await goneAmong(references.filter((reference) => !isShipped(reference))));
  const files = new Map<string, OutgoingFile>();
  for (const reference of references.filter((one) => !gone.has(one))) {
    const mime = shipped[reference.split(":")[0]!]?.mime ?? (await mediaByHash(db, reference))?.mime;
    if (mime) files.set(reference, { reference, mime, name: fileName(reference, mime) });
  }
  return files;
}

export interface Chosen {
  resource: number;
  /** As it was assigned, where it was; without, what is published now, if it is hers to copy. */
  document?: Document;
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
  const topics = new Map<string, OutgoingResource[]>();
  const whole = new Map<string, Document>();
  const left: string[] = [];
  for (const one of chosen) {
    const document = one.document ?? published.get(one.resource)?.document;
    if (!document || !(one.document || readable.has(one.resource))) {
      left.push(document ? `“${titleOf(document)}” is not yours to copy.` : "Something that is not published yet.");
      continue;
    }
    const known = (await resourceById(db, one.resource))!;
    const isKept = known.owner !== visitor.id && document.licence === "all-rights-reserved";
    if (isKept && !one.launch) {
      left.push(`“${titleOf(document)}”: ${known.ownerName} keeps all rights. It can be assigned and printed here.`);
      continue;
    }
    const id = one.id ?? `resource-${one.resource}`;
    const paper = inPaperOrder(document);
    // The same order of choices as on the students' sheets, so that "b" is "b".
    const mixed = new Map(paper.steps.map((step) => [step.id, step]));
    whole.set(id, { ...document, steps: document.steps.map((step) => mixed.get(step.id) ?? step) });
    const topic = topics.get(one.topic) ?? [];
    topic.push({
      ...{ id, document: paper, author: known.ownerName, address: one.address ?? null },
      isMaterial: allQuestions(document).length === 0,
      ...(one.launch && (isKept || allQuestions(document).length > 0) && { launch: one.launch }),
      ...(isKept && { isLinkOnly: true }),
    });
    topics.set(one.topic, topic);
  }
  const first = [...whole.values()][0];
  const resources = [...topics.values()].flat().filter(({ isLinkOnly }) => !isLinkOnly);
  const files = await filesAmong(db, [...new Set(resources.flatMap(({ document }) => mediaOf(document)))]);
  return {
    ...{ whole, left },
    outgoing: {
      ...{ id: of.id, title: of.title, language: first?.languages[0] ?? "en", files },
      topics: [...topics].map(([title, resources], at) => ({ id: `topic-${at + 1}`, title, resources })),
    },
  };
}
