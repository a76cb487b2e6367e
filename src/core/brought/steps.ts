import { plainText } from "../content/rich-text";
import type { RichBlock } from "../content/schema/rich-text";
import { newQuestion } from "../question/new-question";
import type { Question } from "../question/question";
import type { Block } from "../resource/block";
import type { Step } from "../resource/document";
import { newStep, type NewId } from "../resource/edit";
import type { Becomes, BroughtBlock, BroughtPage } from "./brought";
import { questionFrom } from "./questions";
import { byRoom, cellsOf, inRoom } from "./room";

export interface HowToBring {
  language: string;
  newId: NewId;
  /** Where each picture of the file is kept: its SHA-256; undefined: it could not be. */
  media: readonly (string | undefined)[];
}

const textOf = (block: RichBlock): string => plainText({ type: "doc", content: [block] }).trim();

/** "A) the 7:10", "b. the 13:05": the letter, and what can be chosen. A star before or after says that it is right. */
const CHOICE = /^(\*?)\s?\(?([A-Ha-h])[.)]\s+(\S.*?)\s?(\*?)$/su;

interface Choices {
  question: Question;
  /** How many paragraphs it was made of. */
  count: number;
}

/** A question to choose from, where paragraphs are lettered A, B, C … after one that asks. */
function choicesAt(content: readonly RichBlock[], at: number, { language, newId }: HowToBring): Choices | null {
  const found: { text: string; right: boolean }[] = [];
  for (const block of content.slice(at + 1)) {
    const said = block.type === "paragraph" ? CHOICE.exec(textOf(block)) : null;
    if (!said || said[2]!.toLowerCase() !== String.fromCodePoint(97 + found.length)) break;
    found.push({ text: said[3]!.slice(0, 400), right: said[1] === "*" || said[4] === "*" });
  }
  const asks = content[at];
  if (!asks || asks.type !== "paragraph" || textOf(asks) === "" || found.length < 2) return null;
  const options = found.map(({ text }) => ({ id: newId(), text: { [language]: text } }));
  const right = found.findIndex((one) => one.right);
  const question = {
    ...newQuestion("choice", language, newId),
    ...{ prompt: { [language]: { type: "doc", content: [asks] } }, options, right: options[right]?.id ?? null },
  } as Question;
  return { question, count: found.length + 1 };
}

/** Text with the questions in it taken out as questions. */
function fromText(content: readonly RichBlock[], how: HowToBring): Block[] {
  const blocks: Block[] = [];
  let plain: RichBlock[] = [];
  const flush = () => {
    if (plain.some((block) => textOf(block) !== ""))
      blocks.push({ id: how.newId(), type: "text", text: { [how.language]: { type: "doc", content: plain } } });
    plain = [];
  };
  for (let at = 0; at < content.length; at += 1) {
    const asked = choicesAt(content, at, how);
    if (asked) {
      flush();
      blocks.push({ id: how.newId(), type: "question", question: asked.question });
      at += asked.count - 1;
    } else plain.push(content[at]!);
  }
  flush();
  return blocks;
}

function blocksOf(block: BroughtBlock, how: HowToBring): Block[] {
  const { language, newId, media } = how;
  switch (block.kind) {
    case "text":
      return fromText(block.content, how);
    case "table":
      return block.rows.length === 0
        ? []
        : [
            {
              ...{ id: newId(), type: "table", rows: { [language]: cellsOf(block.rows) } },
              ...{ headerRow: block.headerRow, headerColumn: false },
            },
          ];
    case "question":
      return [{ id: newId(), type: "question", question: questionFrom(block.asked, language, newId) }];
    case "film": {
      const file = media[block.picture];
      const title = block.name ? { title: { [language]: block.name } } : {};
      return file ? [{ id: newId(), type: "film", media: file, ...title, captions: {}, stops: [] }] : [];
    }
    case "sound": {
      const file = media[block.picture];
      return file ? [{ id: newId(), type: "sound", media: file }] : [];
    }
    case "picture": {
      const file = media[block.picture];
      return file
        ? [
            {
              id: newId(),
              type: "picture",
              media: file,
              decorative: false,
              description: { [language]: block.description },
            },
          ]
        : [];
    }
  }
}

const notesOf = (text: string): RichBlock[] =>
  text
    .split("\n")
    .map((line) => line.trim())
    .filter(Boolean)
    .map((line) => ({ type: "paragraph", content: [{ type: "text", text: line }] }));

/** What a page says as notes for the teacher. */
const asNotes = (page: BroughtPage): RichBlock[] => [
  ...notesOf(page.title),
  ...page.blocks.flatMap((block) => (block.kind === "text" ? block.content : [])),
  ...notesOf(page.notes),
];

const withNotes = (step: Step, more: readonly RichBlock[], language: string): Step =>
  more.length === 0
    ? step
    : {
        ...step,
        teacherNotes: {
          [language]: { type: "doc", content: [...(step.teacherNotes?.[language]?.content ?? []), ...more] },
        },
      };

/**
 * Steps made of pages: each becomes a step, goes part of the step before, becomes her notes there, or is left out. What goes with one before the
 * first is a step by itself.
 * `stepsFrom([{ title: "Look", blocks: [], notes: "" }], ["a step"], { language: "en", newId: () => "new" })[0].title` gives `{ en: "Look" }`.
 */
export function stepsFrom(pages: readonly BroughtPage[], chosen: readonly Becomes[], how: HowToBring): Step[] {
  const steps: Step[] = [];
  pages.forEach((page, at) => {
    const as = chosen[at] ?? "a step";
    if (as === "left out") return;
    const before = steps.at(-1);
    if (as === "my notes" && before) {
      steps[steps.length - 1] = withNotes(before, asNotes(page), how.language);
      return;
    }
    const blocks = page.blocks.flatMap(inRoom).flatMap((block) => blocksOf(block, how));
    const joins = as === "part of the step before" && before !== undefined;
    // What one step has no room for goes on in the next, under the same title.
    const [first, ...rest] = byRoom(joins ? [...before.blocks, ...blocks] : blocks);
    const title = joins ? before.title : { [how.language]: page.title.slice(0, 200) };
    const begun = joins ? before : newStep(how.language, page.title.slice(0, 200), how.newId);
    const made = withNotes({ ...begun, blocks: first! }, notesOf(page.notes), how.language);
    steps.splice(joins ? steps.length - 1 : steps.length, joins ? 1 : 0, made);
    for (const more of rest) steps.push({ ...newStep(how.language, "", how.newId, more), title });
  });
  return steps;
}
