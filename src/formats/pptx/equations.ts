import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import { writeMarkup } from "../markup";

/** Formulas on slides: marks while the slides are made, equations once they are written. */
export interface Placed {
  /** What stands in the text for a formula: a mark, or its words where it can be no equation. */
  mark: (formula: { tex: string; text: string }) => string;
  /** By mark: the formula as Office Math, and in words. */
  equations: ReadonlyMap<string, { math: string; words: string }>;
}

/** Characters of no alphabet (Unicode's private use), which no teacher types. */
const [BEGINS, ENDS] = ["\uE010", "\uE011"];
const marked = new RegExp(`${BEGINS}\\d+${ENDS}`, "g");

/** @param math formulas as Office Math, by their TeX */
export function placedIn(math: ReadonlyMap<string, string>): Placed {
  const equations = new Map<string, { math: string; words: string }>();
  return {
    equations,
    mark: ({ tex, text }) => {
      const written = math.get(tex);
      if (written === undefined) return text;
      const mark = `${BEGINS}${equations.size}${ENDS}`;
      equations.set(mark, { math: written, words: text });
      return mark;
    },
  };
}

const COMPATIBILITY = "http://schemas.openxmlformats.org/markup-compatibility/2006";
const DRAWING_2010 = "http://schemas.microsoft.com/office/drawing/2010/main";
const MATH = "http://schemas.openxmlformats.org/officeDocument/2006/math";

/** A text with equations is there twice, as such programs write it: with them, and in words for what cannot show them. */
function shapeTwice(shape: string, { equations }: Placed): string {
  const inMath = shape.replace(/<a:r>(?:(?!<\/a:r>)[\s\S])*<\/a:r>/g, (run) => {
    const [mark] = run.match(marked) ?? [];
    const equation = mark && equations.get(mark);
    if (!equation) return run;
    return `<a14:m>${equation.math.replace("<m:oMath>", `<m:oMath xmlns:m="${MATH}">`)}</a14:m>`;
  });
  const inWords = shape.replace(marked, (mark) => writeMarkup(equations.get(mark)?.words ?? ""));
  return (
    `<mc:AlternateContent xmlns:mc="${COMPATIBILITY}"><mc:Choice xmlns:a14="${DRAWING_2010}" Requires="a14">${inMath}</mc:Choice>` +
    `<mc:Fallback>${inWords}</mc:Fallback></mc:AlternateContent>`
  );
}

/** Written slides whose marks have become equations. */
export function withEquations(slides: Uint8Array, placed: Placed): Uint8Array {
  if (placed.equations.size === 0) return slides;
  const files = unzipSync(slides);
  for (const [name, bytes] of Object.entries(files)) {
    if (!/^ppt\/slides\/slide\d+\.xml$/.test(name)) continue;
    const text = strFromU8(bytes);
    files[name] = strToU8(
      text.replace(/<p:sp>(?:(?!<\/p:sp>)[\s\S])*<\/p:sp>/g, (shape) =>
        shape.match(marked) ? shapeTwice(shape, placed) : shape,
      ),
    );
  }
  return zipSync(files);
}
