import { inLanguage } from "../content/language";
import { plainText } from "../content/rich-text";
import { familyEdition, type FamilyEdition } from "../family-edition/family-edition";
import type { Option } from "../question/question";
import type { Block } from "../resource/block";
import { titleOf, type Document } from "../resource/document";
import type { Paper, Report, ReportBlock } from "./report";

/** What stands around the activity, by what it is. */
export type FamilyReportWords = Readonly<Record<string, string>>;

function blocksOf(block: Block, languages: readonly string[], words: FamilyReportWords): ReportBlock[] {
  switch (block.type) {
    case "text":
      return [{ kind: "text", text: plainText(inLanguage(block.text, languages)) }];
    case "picture":
      return [{ kind: "text", text: inLanguage(block.description, languages) ?? "", soft: true }];
    case "film":
      return [{ kind: "text", text: `${words.film}.`, soft: true }];
    case "sound":
      return [{ kind: "text", text: inLanguage(block.transcript, languages) ?? words.recording ?? "", soft: true }];
    case "table": {
      const [head = [], ...rows] = inLanguage(block.rows, languages) ?? [];
      return [{ kind: "table", caption: inLanguage(block.caption, languages) ?? "", head, rows }];
    }
    case "question": {
      const { question } = block;
      const options: readonly Option[] = "options" in question ? question.options : [];
      return [
        { kind: "text", text: plainText(inLanguage(question.prompt, languages)) },
        ...(options.length > 0
          ? [{ kind: "list" as const, lines: options.map(({ text }) => inLanguage(text, languages) ?? "") }]
          : []),
      ];
    }
    default:
      return [];
  }
}

/**
 * An activity for a family as a report of one section. `paper`: the document as it goes on paper for students, without answers and with its
 * choices in an order that does not tell.
 * `familyReport(lesson, { languages: ["en"], words: {}, author: "Ines" }).sections.length` gives `1`.
 */
export function familyReport(
  paper: Document,
  of: { languages: readonly string[]; words: FamilyReportWords; author: string; paper?: Paper },
): Report {
  const { languages, words } = of;
  const edition: FamilyEdition = familyEdition(paper, languages);
  const title = titleOf({ title: paper.title, languages: [...languages] });
  const note = plainText(inLanguage(paper.familyNote, languages));
  const blocks: ReportBlock[] = [
    { kind: "text", text: `${words.atHome}. ${words.time?.replace("{minutes}", String(edition.minutes))}` },
    ...(note ? [{ kind: "text" as const, text: note }] : []),
    ...(edition.ready.length > 0
      ? [
          { kind: "heading" as const, text: words.ready ?? "" },
          { kind: "list" as const, lines: edition.ready.map((thing) => words[`thing_${thing}`] ?? thing) },
        ]
      : []),
    { kind: "heading", text: words.do ?? "" },
    { kind: "list", lines: edition.steps.map((step) => [step.title, step.say].filter(Boolean).join(": ")) },
    ...paper.steps.flatMap((step): ReportBlock[] => [
      { kind: "heading", text: inLanguage(step.title, languages) ?? "" },
      ...step.blocks.flatMap((block) => blocksOf(block, languages, words)),
    ]),
    { kind: "heading", text: words.well ?? "" },
    ...(edition.ask ? [{ kind: "text" as const, text: words.ask?.replace("{question}", edition.ask) ?? "" }] : []),
    { kind: "text", text: words.praise ?? "" },
  ];
  return {
    ...{ title, language: languages[0]!, author: of.author, wide: false, ...(of.paper && { paper: of.paper }) },
    sections: [
      {
        ...{ title, shown: true, language: languages[0]! },
        blocks: blocks.filter((block) => !("text" in block) || block.text.trim() !== ""),
      },
    ],
  };
}
