import { inLanguage } from "../content/language";
import { isBlank, plainText, type RichText } from "../content/rich-text";
import type { RichBlock } from "../content/schema/rich-text";
import { drawingWords } from "../drawing/drawing";
import { formatAnswer } from "../question/format";
import { kindOf } from "../question/kinds";
import { passageOnPaper } from "../question/passage";
import type { Question } from "../question/question";
import type { Block } from "../resource/block";
import { questionsOf, titleOf, type Document } from "../resource/document";
import { letterAt } from "../resource/paper";
import type { Paper, Report, ReportBlock, ReportPart, ReportSection } from "./report";

/** For whom a document is written down. */
export interface DocumentReportFor {
  author: string;
  /** With right answers and her notes; otherwise it is the students'. */
  forTeacher: boolean;
  /** Pictures as PNG or JPEG, by their reference; those that are not here are told in words. */
  pictures: ReadonlyMap<string, Uint8Array>;
  paper?: Paper;
}

const said = (text: string, parts: readonly ReportPart[] = []): ReportBlock[] =>
  text.trim() === "" ? [] : [{ kind: "text", text, ...(parts.length > 0 && { parts }) }];

/** A paragraph in pieces, where formulas stand in it; else none. */
function partsOf({ content = [] }: Extract<RichBlock, { type: "paragraph" }>): ReportPart[] {
  if (!content.some(({ type }) => type === "maths")) return [];
  return content.map((inline) => {
    const text = plainText({ type: "doc", content: [{ type: "paragraph", content: [inline] }] });
    return inline.type === "maths" ? { tex: inline.attrs.tex, text } : { text };
  });
}

function richBlocks(rich: RichText | undefined): ReportBlock[] {
  const of = (block: RichBlock): ReportBlock[] => {
    switch (block.type) {
      case "heading":
        return [{ kind: "heading", text: plainText({ type: "doc", content: [block] }) }];
      case "bulletList":
      case "orderedList":
        return [
          {
            kind: "list",
            lines: block.content.map((item, at) => {
              const line = plainText({ type: "doc", content: item.content });
              return block.type === "orderedList" ? `${(block.attrs?.start ?? 1) + at}. ${line}` : line;
            }),
          },
        ];
      case "blockquote":
        return block.content.flatMap(of);
      case "paragraph":
        return said(plainText({ type: "doc", content: [block] }), partsOf(block));
    }
  };
  return (rich?.content ?? []).flatMap(of);
}

/** How many lines an answer gets that has no choices. */
const linesFor = (question: Question): number => {
  switch (question.type) {
    case "longText":
      return question.lines;
    case "notePage":
    case "sketch":
      return 6;
    case "gaps":
    case "cells":
    case "highlight":
      return 0;
    case "bars":
      return question.bars.length;
    default:
      return 1;
  }
};

/**
 * A document as a report: a section for each step, questions with what there is to choose from and room to write.
 * `documentReport(lesson, { author: "Ines", forTeacher: false, pictures: new Map() }).sections.map(({ title }) => title)` gives `["Tides", "Look", "Ask", "Answers"]`.
 */
export function documentReport(document: Document, of: DocumentReportFor): Report {
  const { languages } = document;
  const text = (words: Record<string, string> | undefined) => inLanguage(words, languages) ?? "";
  const picture = (reference: string | undefined, description: string): ReportBlock[] => {
    const bytes = reference === undefined ? undefined : of.pictures.get(reference);
    return bytes ? [{ kind: "picture", bytes, text: description }] : said(description);
  };
  const questionBlocks = (question: Question): ReportBlock[] => {
    const lists =
      "options" in question
        ? [question.options]
        : (kindOf(question).lists?.(question as never) ?? []).map(({ options }) => options);
    const gaps = "gaps" in question ? question.gaps : [];
    const onPaper = (passage: string) => passageOnPaper(passage, gaps, languages);
    const table: ReportBlock[] =
      question.type === "cells"
        ? [
            {
              ...{ kind: "table", caption: "" },
              head: (inLanguage(question.rows, languages)?.[0] ?? []).map(onPaper),
              rows: (inLanguage(question.rows, languages) ?? []).slice(1).map((row) => row.map(onPaper)),
            },
          ]
        : [];
    return [
      ...richBlocks(inLanguage(question.prompt, languages)),
      ...("media" in question ? picture(question.media, text(question.description)) : []),
      ...said("passage" in question ? onPaper(text(question.passage)) : ""),
      ...table,
      ...lists.map((options, nth): ReportBlock => ({
        kind: "list",
        // What is matched with something has numbers, what it is matched with has letters.
        lines: options.map((option, at) =>
          lists.length > 1 && nth === 0 ? `${at + 1}. ${text(option.text)}` : `${letterAt(at)}) ${text(option.text)}`,
        ),
      })),
      ...(question.type === "bars" ? said(question.bars.map((bar) => text(bar.text)).join(", ")) : []),
      ...(of.forTeacher
        ? [{ kind: "text" as const, text: `Answer: ${formatAnswer(question, languages)}`, soft: true }]
        : lists.length === 0 && linesFor(question) > 0
          ? [{ kind: "lines" as const, count: linesFor(question) }]
          : []),
    ];
  };
  const blocksOf = (block: Block): ReportBlock[] => {
    switch (block.type) {
      case "text":
        return richBlocks(inLanguage(block.text, languages));
      case "picture":
        return [...picture(block.media, text(block.description)), ...said(text(block.caption))];
      case "table": {
        const [head = [], ...rows] = inLanguage(block.rows, languages) ?? [];
        return [{ kind: "table", caption: text(block.caption), head, rows }];
      }
      case "film":
        return [
          ...said(`Film: ${text(block.title) || "to watch on a device"}`),
          ...questionsOf({ blocks: [block] }).flatMap(questionBlocks),
        ];
      case "sound":
        return said(text(block.transcript) || "A recording, to listen to on a device.");
      case "maths":
        return said(text(block.spoken) || block.tex, [{ tex: block.tex, text: text(block.spoken) || block.tex }]);
      case "link":
        return said([text(block.label), block.href].filter(Boolean).join(": "));
      case "file":
        return said(text(block.label));
      case "drawing":
        return said(
          [text(block.drawing.description), drawingWords(block.drawing, languages)].filter(Boolean).join(": "),
        );
      case "manipulative":
        return [];
      case "question":
        return questionBlocks(block.question);
    }
  };
  const title = titleOf(document);
  const credits = document.credits.map((credit) => `“${credit.title}” by ${credit.author} (${credit.licence})`);
  const steps = document.steps.map((step, at): ReportSection => {
    const notes = inLanguage(step.teacherNotes, languages);
    const heard = of.forTeacher && !isBlank(notes) ? plainText(notes) : "";
    return {
      ...{ title: text(step.title) || `${at + 1}`, shown: true, language: languages[0]!, goesOn: true, notes: heard },
      blocks: [
        ...richBlocks(inLanguage(step.instructions, languages)?.text),
        ...step.blocks.flatMap(blocksOf),
        ...(heard ? [{ kind: "text" as const, text: `For you: ${heard}`, soft: true }] : []),
      ],
    };
  });
  return {
    ...{ title, language: languages[0]!, author: of.author, wide: false, ...(of.paper && { paper: of.paper }) },
    sections: [
      {
        ...{ title, shown: true, language: languages[0]! },
        blocks: [
          ...said(text(document.summary)),
          { kind: "text", soft: true, text: `By ${of.author}, ${document.licence}.` },
          ...(credits.length > 0
            ? [{ kind: "text" as const, soft: true, text: `Made from ${credits.join(", ")}.` }]
            : []),
        ],
      },
      ...steps,
    ],
  };
}
