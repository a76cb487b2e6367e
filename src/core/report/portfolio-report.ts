import { byYear, type PortfolioAnswer, type PortfolioPiece } from "../portfolio/piece";
import type { Report, ReportBlock } from "./report";

/** A photograph cannot be read from here: its bytes by SHA-256, of JPEG and PNG files. */
type Pictures = ReadonlyMap<string, Uint8Array>;

function answerBlocks({ asks, step, said, made }: PortfolioAnswer, pictures: Pictures): ReportBlock[] {
  const about = asks || step;
  const heard: ReportBlock[] = [{ kind: "text", text: about, soft: true }];
  if (!made) return [...heard, { kind: "text", text: said }];
  if (made.question.type === "sketch")
    return [...heard, { kind: "drawing", strokes: made.value as never, text: `A drawing: ${about}` }];
  if (made.question.type === "speech")
    return [...heard, { kind: "text", text: "A recording: listen to it on screen." }];
  if (made.question.type === "clip") return [...heard, { kind: "text", text: "A film: watch it on screen." }];
  return [
    ...heard,
    ...(made.value as readonly string[]).map((file): ReportBlock => {
      const bytes = pictures.get(file);
      return bytes
        ? { kind: "picture", bytes, text: `A photograph: ${about}` }
        : { kind: "text", text: "A photograph: look at it on screen." };
    }),
  ];
}

const whySaid = ({ why, voice }: PortfolioPiece): string =>
  [why, ...(voice ? ["There is a recording of why: listen to it on screen."] : [])].filter(Boolean).join(" ");

/**
 * What a child is proud of, as a report: a section for each piece, the newest first.
 * `portfolioReport([], { name: "Ana", author: "Ines" }).title` gives `"Portfolio of Ana"`.
 */
export function portfolioReport(
  pieces: readonly PortfolioPiece[],
  of: { name: string; author: string; formatDay: (at: Date) => string; pictures: Pictures },
): Report {
  const title = `Portfolio of ${of.name}`;
  return {
    ...{ title, language: "en", author: of.author, wide: false },
    sections: byYear(pieces).flatMap(({ year, pieces: some }) =>
      some.map((piece) => ({
        ...{ title: piece.title, shown: true, language: "en" },
        blocks: [
          { kind: "text", text: `${title}. School year ${year}, ${of.formatDay(piece.handedIn)}.`, soft: true },
          ...(whySaid(piece)
            ? ([
                { kind: "heading", text: "Why it is here" },
                { kind: "text", text: whySaid(piece) },
              ] as const)
            : []),
          ...piece.answers.flatMap((answer) => answerBlocks(answer, of.pictures)),
        ] satisfies ReportBlock[],
      })),
    ),
  };
}

/** The same as rows of a spreadsheet, an answer in each. `portfolioRows([]).length` gives `1`. */
export const portfolioRows = (pieces: readonly PortfolioPiece[]): (string | number | Date)[][] => [
  ["School year", "Handed in", "Work", "Question", "Answer", "Why it is here"],
  ...byYear(pieces).flatMap(({ year, pieces: some }) =>
    some.flatMap((piece) =>
      piece.answers.map(({ asks, step, said, made }) => [
        ...[year, piece.handedIn, piece.title, asks || step],
        made
          ? ({ sketch: "a drawing", speech: "a recording", clip: "a film" }[made.question.type as string] ??
            "a photograph")
          : said,
        whySaid(piece),
      ]),
    ),
  ),
];
