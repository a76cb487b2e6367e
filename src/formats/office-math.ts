import { Document, Math as MathOfWords, Packer, Paragraph } from "docx";
import { latexToMath } from "docx/math";
import { strFromU8, unzipSync } from "fflate";

/** A formula as the parts of an equation that can be edited; null where it has something the package does not know. */
export function equationOf(tex: string): MathOfWords | null {
  try {
    return new MathOfWords({ children: latexToMath(tex) });
  } catch {
    return null;
  }
}

/**
 * Formulas as Office Math (ECMA-376, 22.1), by their TeX: `<m:oMath>…</m:oMath>`. Those the package does not know are not among them. The
 * package writes whole documents only, so one is written with a formula in each paragraph.
 */
export async function officeMath(formulas: readonly string[]): Promise<Map<string, string>> {
  const known = [...new Set(formulas)].flatMap((tex) => {
    const equation = equationOf(tex);
    return equation ? [{ tex, equation }] : [];
  });
  if (known.length === 0) return new Map();
  const document = new Document({
    sections: [{ children: known.map(({ equation }) => new Paragraph({ children: [equation] })) }],
  });
  const files = unzipSync(new Uint8Array(await Packer.toBuffer(document)));
  const written = strFromU8(files["word/document.xml"]!).match(/<m:oMath>[\s\S]*?<\/m:oMath>/g) ?? [];
  return new Map(known.map(({ tex }, at) => [tex, written[at]!]));
}
