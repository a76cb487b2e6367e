import { zipSync } from "fflate";
import { formulaOf, piecesOf, withinText } from "./formulas";
import type { Files } from "./open-zip";
import { all, readXml } from "./xml";

const BODY = "word/document.xml";
const escaped = (text: string) => text.replace(/&/g, "&amp;").replace(/</g, "&lt;").replace(/>/g, "&gt;");

/**
 * A document (Office Open XML) with its formulas as marked text (formulas.ts), because the package that reads documents passes over them.
 * Null: there are none.
 */
export function withFormulasAsText(files: Files): Uint8Array | null {
  const bytes = files.get(BODY);
  const body = bytes ? new TextDecoder().decode(bytes) : "";
  if (!body.includes("<m:oMath")) return null;
  let written = "";
  let from = 0;
  for (;;) {
    const begins = nextFormula(body, from);
    const ends = begins < 0 ? -1 : body.indexOf("</m:oMath>", begins);
    if (ends < 0) break;
    const after = ends + "</m:oMath>".length;
    const [oMath] = all(readXml(new TextEncoder().encode(body.slice(begins, after)), BODY), "m:oMath");
    const text = oMath ? withinText(formulaOf(oMath)) : "";
    written += `${body.slice(from, begins)}<w:r><w:t xml:space="preserve">${escaped(text)}</w:t></w:r>`;
    from = after;
  }
  // What stands around formulas on a line of their own.
  const whole = (written + body.slice(from)).replace(
    /<\/?m:oMathPara(?:\s[^<>]*)?>|<m:oMathParaPr>|<\/m:oMathParaPr>|<m:jc\s[^<>]*>/g,
    "",
  );
  return zipSync(Object.fromEntries([...files, [BODY, new TextEncoder().encode(whole)]]), { level: 0 });
}

/** Where the next m:oMath begins, and not an m:oMathPara around it; -1: there is none. */
function nextFormula(body: string, from: number): number {
  for (let at = body.indexOf("<m:oMath", from); at >= 0; at = body.indexOf("<m:oMath", at + 1))
    if (/[\s>]/.test(body[at + "<m:oMath".length] ?? "")) return at;
  return -1;
}

/** The same in HTML: marked text as MathML that notes its TeX. */
export const formulasInHtml = (html: string): string =>
  piecesOf(html)
    .map((piece) =>
      typeof piece === "string"
        ? piece
        : `<math alttext="${piece.words.replace(/"/g, "&quot;")}"><annotation encoding="application/x-tex">${piece.tex}</annotation></math>`,
    )
    .join("");
