import { becomes, type Becomes, type Brought, type BroughtAnswer, type BroughtBlock } from "@/core/brought/brought";
import { knownAgain } from "@/core/brought/same-again";
import { stepsFrom } from "@/core/brought/steps";
import { plainText } from "@/core/content/rich-text";
import type { RichText } from "@/core/content/schema/rich-text";
import { largest, mediaType } from "@/core/media/sniff";
import { changesBetween } from "@/core/resource/changes";
import type { Document } from "@/core/resource/document";
import { parseDocument } from "@/core/resource/schema/document";
import { broughtFileOf, noteBroughtFile, setNewerReading, type BroughtBefore } from "@/data/adapt/brought-files";
import { addResource, saveDraft } from "@/data/adapt/resources";
import { addMedia, bytesBy } from "@/data/engine/media";
import type { Db, Queryable } from "@/data/engine/db";
import { indexResource } from "@/data/find/shelves";
import { ActionError } from "../web/act";
import { keepFile } from "../files/files";
import { quota } from "../web/keep-upload";
import type { Visitor } from "../web/session";

/** A page as it is shown before it comes in. */
export interface PageLook {
  title: string;
  /** Its parts, each with what it is and the beginning of what it says; a text that is not long as it will stand, with its formulas. */
  parts: { kind: BroughtBlock["kind"]; says: string; rich: RichText | null }[];
  notes: string;
  left: string[];
}

export interface FileLook {
  kind: Brought["kind"];
  title: string;
  pages: PageLook[];
  /** What a file of this name became before, the newest first. */
  before: BroughtBefore[];
}

const MOST_SHOWN = 600;

/** What is right, a line each. */
function linesOf(answer: BroughtAnswer): string[] {
  switch (answer.kind) {
    case "order":
      return answer.right.map((at, nth) => `${nth + 1}. ${answer.items[at] ?? ""}`);
    case "pairs":
      return answer.pairs.map(([one, other]) => `${answer.left[one] ?? ""} ✓ ${answer.right[other] ?? ""}`);
    case "gaps":
      return [
        answer.passage.map((part) => (typeof part === "string" ? part : `[${part.accepted.join(" / ")}]`)).join(""),
      ];
    case "marked":
      return [answer.passage.map(({ text, isRight }) => (isRight ? `[${text}]` : text)).join("")];
    case "file":
      return [{ photo: "A photograph is sent.", speech: "A recording is sent.", clip: "A film is sent." }[answer.of]];
    case "line":
      return [`✓ ${answer.right} (${answer.from} … ${answer.to})`];
  }
}

function textOf(block: BroughtBlock): string {
  switch (block.kind) {
    case "text":
      return plainText({ type: "doc", content: block.content });
    case "table":
      return block.rows.map((row) => row.join(" · ")).join("\n");
    case "picture":
      return block.description;
    case "film":
    case "sound":
      return block.name;
    case "question": {
      const { ask, options, right, more } = block.asked;
      if (more) return [ask, ...linesOf(more)].join("\n");
      const isRight = (text: string) => right.some((one) => one.toLowerCase() === text.toLowerCase());
      return [
        ask,
        ...(options.length > 0
          ? options.map((text) => `${isRight(text) ? "✓" : "–"} ${text}`)
          : right.map((text) => `✓ ${text}`)),
      ].join("\n");
    }
  }
}

export const lookAtFile = ({ kind, title, pages }: Brought, before: BroughtBefore[]): FileLook => ({
  ...{ kind, title, before },
  pages: pages.map((page) => ({
    ...{ title: page.title, notes: page.notes.slice(0, MOST_SHOWN), left: page.left },
    parts: page.blocks.map((block) => {
      const says = textOf(block);
      const whole = block.kind === "text" && says.length <= MOST_SHOWN;
      return {
        kind: block.kind,
        says: says.slice(0, MOST_SHOWN),
        rich: whole ? { type: "doc" as const, content: block.content } : null,
      };
    }),
  })),
});

/** What becomes of each page as an address says it: a digit each, "0012". */
export const readChoices = (said: string | null): Becomes[] =>
  [...(said ?? "")].map((digit) => becomes[Number(digit)] ?? "a step");

/** How the choices are kept: a digit for each page. */
const digitsOf = (choices: readonly Becomes[]): string => choices.map((one) => becomes.indexOf(one)).join("");

interface Made {
  document: Document;
  /** By their place among the file's pictures; null: not wanted, or no picture. */
  pictures: ({ sha256: string; mime: string; bytes: Uint8Array } | null)[];
}

/** The document that is made of a file: its pictures are kept, and judged by what is in them. @throws ActionError */
async function madeOf(
  db: Db,
  visitor: Visitor,
  brought: Brought,
  choices: readonly Becomes[],
  now: Date,
): Promise<Made> {
  const language = visitor.locale.split("-")[0]!;
  const wanted = new Map(
    brought.pages.flatMap((page, at) =>
      choices[at] === "left out" || choices[at] === "my notes"
        ? []
        : page.blocks.flatMap((block) => ("picture" in block ? [[block.picture, block.kind] as const] : [])),
    ),
  );
  const usable = brought.pictures.map(({ bytes }, at) => {
    const kind = wanted.get(at);
    const mime = kind && bytes.length <= largest[kind] ? mediaType(kind, bytes) : null;
    return mime ? { mime, bytes } : null;
  });
  const size = usable.reduce((sum, picture) => sum + (picture?.bytes.length ?? 0), 0);
  if ((await bytesBy(db, visitor.id)) + size > quota[visitor.kind]) throw new ActionError("noRoomForFiles");
  const pictures: Made["pictures"] = [];
  for (const picture of usable) pictures.push(picture && { ...picture, sha256: await keepFile(picture.bytes) });
  let made = 0;
  const newId = () => `b${now.getTime().toString(36)}${(made += 1).toString(36)}`;
  const media = pictures.map((picture) => picture?.sha256);
  const steps = stepsFrom(brought.pages, choices, { language, newId, media });
  if (steps.length === 0) throw new ActionError("choosePages");
  const document = parseDocument({
    ...{ schema: 1, languages: [language], title: { [language]: brought.title.slice(0, 300) } },
    ...{ kind: "lesson", grades: { from: 4, to: 5 }, subjects: ["mathematics"], licence: "CC-BY-4.0", steps },
  });
  return { document, pictures };
}

async function addPictures(tx: Queryable, visitor: Visitor, { pictures }: Made, now: Date): Promise<void> {
  for (const picture of pictures)
    if (picture)
      await addMedia(tx, {
        ...{ sha256: picture.sha256, mime: picture.mime, bytes: picture.bytes.length },
        ...{ by: visitor.id, at: now },
      });
}

/**
 * Makes a resource of a file that was brought in, as a draft of hers: all of it or nothing.
 * @throws ActionError when nothing is chosen, or her files take all the room there is
 */
export async function makeFromFile(
  db: Db,
  visitor: Visitor,
  file: { name: string; brought: Brought; choices: readonly Becomes[] },
  now: Date,
): Promise<{ resource: number }> {
  const made = await madeOf(db, visitor, file.brought, file.choices, now);
  const { document } = made;
  return db.transaction(async (tx) => {
    await addPictures(tx, visitor, made, now);
    const resource = await addResource(tx, {
      ...{ district: visitor.district, owner: visitor.id, source: null, created: now },
    });
    await saveDraft(tx, { resource, document, base: null, seen: 0, by: visitor.id, at: now });
    await noteBroughtFile(tx, resource, { name: file.name, choices: digitsOf(file.choices), document, at: now });
    await indexResource(tx, resource, document, false);
    return { resource };
  });
}

/**
 * The same file again, into what was made of it: what changed in it since is proposed there, beside what she changed herself. Nothing of hers is
 * touched.
 * @returns how many changes there are; 0: the file is as it was
 * @throws ActionError when it did not come from a file, or nothing is chosen
 */
export async function proposeFromFile(
  db: Db,
  visitor: Visitor,
  resource: number,
  file: { brought: Brought; choices: readonly Becomes[] },
  now: Date,
): Promise<{ resource: number; changes: number }> {
  const before = await broughtFileOf(db, resource);
  if (!before) throw new ActionError("notFromFile");
  const made = await madeOf(db, visitor, file.brought, file.choices, now);
  const again = knownAgain(before.document, made.document);
  const { count } = changesBetween(before.document, again);
  if (count > 0)
    await db.transaction(async (tx) => {
      await addPictures(tx, visitor, made, now);
      await setNewerReading(tx, resource, { document: again, choices: digitsOf(file.choices), at: now });
    });
  return { resource, changes: count };
}
