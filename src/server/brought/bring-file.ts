import { becomes, type Becomes, type Brought, type BroughtAnswer, type BroughtBlock } from "@/core/brought/brought";
import { stepsFrom } from "@/core/brought/steps";
import { plainText } from "@/core/content/rich-text";
import { largest, mediaType } from "@/core/media/sniff";
import { parseDocument } from "@/core/resource/schema/document";
import { addResource, saveDraft } from "@/data/adapt/resources";
import { addMedia, bytesBy } from "@/data/engine/media";
import type { Db } from "@/data/engine/db";
import { indexResource } from "@/data/find/shelves";
import { ActionError } from "../web/act";
import { keepFile } from "../web/files";
import { quota } from "../web/keep-upload";
import type { Visitor } from "../web/session";

/** A page as it is shown before it comes in. */
export interface PageLook {
  title: string;
  /** Its parts, each with what it is and the beginning of what it says. */
  parts: { kind: BroughtBlock["kind"]; says: string }[];
  notes: string;
  left: string[];
}

export interface FileLook {
  kind: Brought["kind"];
  title: string;
  pages: PageLook[];
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
    case "line":
      return [`✓ ${answer.right} (${answer.from} … ${answer.to})`];
  }
}

function sayOf(block: BroughtBlock): string {
  switch (block.kind) {
    case "text":
      return plainText({ type: "doc", content: block.content });
    case "table":
      return block.rows.map((row) => row.join(" · ")).join("\n");
    case "picture":
      return block.description;
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

export const lookAtFile = ({ kind, title, pages }: Brought): FileLook => ({
  ...{ kind, title },
  pages: pages.map((page) => ({
    ...{ title: page.title, notes: page.notes.slice(0, MOST_SHOWN), left: page.left },
    parts: page.blocks.map((block) => ({
      kind: block.kind,
      says: sayOf(block).slice(0, MOST_SHOWN),
    })),
  })),
});

/** What becomes of each page as an address says it: a digit each, "0012". */
export const readChoices = (said: string | null): Becomes[] =>
  [...(said ?? "")].map((digit) => becomes[Number(digit)] ?? "a step");

/**
 * Makes a resource of a file that was brought in, as a draft of hers: all of it or nothing. Pictures are judged by what is in them.
 *
 * @throws ActionError when nothing is chosen, or her files take all the room there is
 */
export async function makeFromFile(
  db: Db,
  visitor: Visitor,
  brought: Brought,
  choices: readonly Becomes[],
  now: Date,
): Promise<{ resource: number }> {
  const language = visitor.locale.split("-")[0]!;
  const wanted = new Set(
    brought.pages.flatMap((page, at) =>
      choices[at] === "left out" || choices[at] === "my notes"
        ? []
        : page.blocks.flatMap((block) => (block.kind === "picture" ? [block.picture] : [])),
    ),
  );
  const usable = brought.pictures.map(({ bytes }, at) => {
    const mime = wanted.has(at) && bytes.length <= largest.picture ? mediaType("picture", bytes) : null;
    return mime ? { mime, bytes } : null;
  });
  const size = usable.reduce((sum, picture) => sum + (picture?.bytes.length ?? 0), 0);
  if ((await bytesBy(db, visitor.id)) + size > quota[visitor.kind])
    throw new ActionError("Your files take all the room you have. Nothing was brought in. Ask the school office.");
  const kept: (string | undefined)[] = [];
  for (const picture of usable) kept.push(picture ? await keepFile(picture.bytes) : undefined);
  let made = 0;
  const newId = () => `b${now.getTime().toString(36)}${(made += 1).toString(36)}`;
  const steps = stepsFrom(brought.pages, choices, { language, newId, media: kept });
  if (steps.length === 0) throw new ActionError("Choose at least one page. Nothing was brought in.");
  const document = parseDocument({
    ...{ schema: 1, languages: [language], title: { [language]: brought.title.slice(0, 300) } },
    ...{ kind: "lesson", grades: { from: 4, to: 5 }, subjects: ["mathematics"], licence: "CC-BY-4.0", steps },
  });
  return db.transaction(async (tx) => {
    for (const [at, picture] of usable.entries())
      if (picture)
        await addMedia(tx, {
          ...{ sha256: kept[at]!, mime: picture.mime, bytes: picture.bytes.length },
          ...{ by: visitor.id, at: now },
        });
    const resource = await addResource(tx, {
      ...{ district: visitor.district, owner: visitor.id, source: null, created: now },
    });
    await saveDraft(tx, { resource, document, base: null, seen: 0, by: visitor.id, at: now });
    await indexResource(tx, resource, document, false);
    return { resource };
  });
}
