import katex from "katex";
import { first, inside, nameOf, attribute, type Xml } from "./xml";

/** A formula of a file: in TeX, and in one line of signs for those who hear it, until its author words it. */
export interface Formula {
  tex: string;
  words: string;
}

/** What our rich text holds of one. */
const LONGEST = 2000;

/** Whether it can be shown here. `isTex("\\frac{1}{2}")` gives `true`. */
export function isTex(tex: string): boolean {
  if (tex.trim() === "" || tex.length > LONGEST) return false;
  try {
    katex.renderToString(tex, { throwOnError: true });
    return true;
  } catch {
    return false;
  }
}

/** Within a text: letters for private use around it, which no text has. */
const [BEGINS, WORDS, ENDS] = ["\uE000", "\uE002", "\uE001"];
const marked = /\uE000([^\uE000-\uE002]*)\uE002([^\uE000-\uE002]*)\uE001/g;

export const withinText = ({ tex, words }: Formula): string => `${BEGINS}${tex}${WORDS}${words}${ENDS}`;

/** A text in pieces: words, and the formulas within it. */
export function piecesOf(text: string): (string | Formula)[] {
  const pieces: (string | Formula)[] = [];
  let from = 0;
  for (const found of text.matchAll(marked)) {
    if (found.index > from) pieces.push(text.slice(from, found.index));
    pieces.push({ tex: found[1]!, words: found[2]! });
    from = found.index + found[0].length;
  }
  if (from < text.length) pieces.push(text.slice(from));
  return pieces;
}

/** A text whose formulas are in words: for titles and the cells of tables. */
export const inWords = (text: string): string => text.replace(marked, "$2");

const DEEPEST = 60;
/** Large operators by their sign; every other sign stands for itself. */
const operators = new Map([
  ["∑", "\\sum"],
  ["∏", "\\prod"],
  ["∫", "\\int"],
  ["∬", "\\iint"],
  ["∮", "\\oint"],
  ["⋃", "\\bigcup"],
  ["⋂", "\\bigcap"],
]);
const accents = new Map([
  ["\u0302", "\\hat"],
  ["\u0303", "\\tilde"],
  ["\u0304", "\\bar"],
  ["\u0305", "\\overline"],
  ["\u0307", "\\dot"],
  ["\u0308", "\\ddot"],
  ["\u20D7", "\\vec"],
]);
const functions = new Set(
  "sin cos tan cot sec csc arcsin arccos arctan sinh cosh tanh log ln exp lim max min gcd".split(" "),
);
const brackets = new Map([
  ["{", "\\{"],
  ["}", "\\}"],
  ["‖", "\\|"],
  ["⟨", "\\langle"],
  ["⟩", "\\rangle"],
  ["⌊", "\\lfloor"],
  ["⌋", "\\rfloor"],
  ["⌈", "\\lceil"],
  ["⌉", "\\rceil"],
]);
const escaped = (text: string) =>
  text.replace(/[\\{}$&#%_^~]/g, (sign) =>
    sign === "\\" ? "\\backslash " : sign === "^" ? "\\text{\\textasciicircum}" : sign === "~" ? "\\sim " : `\\${sign}`,
  );

const inWordsBy: Readonly<Record<string, string>> = {
  "\\": "\\textbackslash ",
  "^": "\\textasciicircum ",
  "~": "\\textasciitilde ",
};
/** The same among words, where other signs stand for these. */
const escapedWords = (text: string) => text.replace(/[\\{}$&#%_^~]/g, (sign) => inWordsBy[sign] ?? `\\${sign}`);
/** Letters that are set bold, as vectors are: upright or not. */
const boldBy = new Map([
  ["b", "\\mathbf"],
  ["bi", "\\boldsymbol"],
]);

const child = (element: Xml, name: string) => inside(element).find((one) => nameOf(one) === name);
const textOf = (element: Xml): string =>
  nameOf(element) === "#text" ? String(element["#text"] ?? "") : inside(element).map(textOf).join("");
/** What a property of an element is set to (m:fPr/m:type), as it is written; undefined: it is not there. */
function property(element: Xml, name: string): string | undefined {
  const set = inside(element).find((one) => nameOf(one).endsWith("Pr"));
  const found = set && first(set, name);
  return found && attribute(found, "m:val");
}
const isOn = (value: string | undefined) => value !== undefined && !["0", "off", "false"].includes(value);

/**
 * A formula of Office Math (ECMA-376 part 1, 22.1) in TeX. What is not known gives what stands in it.
 *
 *     formulaOf(oMath) // { tex: "\\frac{1}{2}", words: "1/2" }
 */
export function formulaOf(oMath: Xml): Formula {
  return {
    tex: all(oMath, 0).replace(/\s+/g, " ").trim(),
    words: wordsOf(oMath, 0).replace(/\s+/g, " ").trim().slice(0, LONGEST),
  };
}

const all = (element: Xml, depth: number): string =>
  inside(element)
    .map((one) => texOf(one, depth))
    .join("");

function texOf(element: Xml, depth: number): string {
  if (depth > DEEPEST) return "";
  const of = (name: string) => {
    const found = child(element, name);
    return found ? all(found, depth + 1) : "";
  };
  const each = (name: string) =>
    inside(element)
      .filter((one) => nameOf(one) === name)
      .map((one) => all(one, depth + 1));
  const name = nameOf(element);
  if (name.endsWith("Pr") || name === "#text") return "";
  switch (name) {
    case "m:r": {
      const text = inside(element)
        .filter((one) => nameOf(one) === "m:t")
        .map(textOf)
        .join("");
      const set = child(element, "m:rPr");
      const isWords = set && child(set, "m:nor") && /\p{L}{2}/u.test(text);
      if (isWords) return `\\text{${escapedWords(text)}}`;
      const bold = set && /\p{L}/u.test(text) && boldBy.get(property(element, "m:sty") ?? "");
      return bold ? `${bold}{${escaped(text)}}` : escaped(text);
    }
    case "m:f": {
      const [over, under] = [of("m:num"), of("m:den")];
      const type = property(element, "m:type");
      return type === "noBar"
        ? `{${over} \\atop ${under}}`
        : type === "lin"
          ? `{${over}}/{${under}}`
          : `\\frac{${over}}{${under}}`;
    }
    case "m:sSup":
      return `{${of("m:e")}}^{${of("m:sup")}}`;
    case "m:sSub":
      return `{${of("m:e")}}_{${of("m:sub")}}`;
    case "m:sSubSup":
      return `{${of("m:e")}}_{${of("m:sub")}}^{${of("m:sup")}}`;
    case "m:sPre":
      return `{}_{${of("m:sub")}}^{${of("m:sup")}}{${of("m:e")}}`;
    case "m:rad": {
      const degree = of("m:deg").trim();
      return `\\sqrt${degree && !isOn(property(element, "m:degHide")) ? `[${degree}]` : ""}{${of("m:e")}}`;
    }
    case "m:nary": {
      const sign = property(element, "m:chr") ?? "∫";
      const [below, above] = [of("m:sub"), of("m:sup")];
      return `${operators.get(sign) ?? escaped(sign)}${below && `_{${below}}`}${above && `^{${above}}`}{${of("m:e")}}`;
    }
    case "m:d": {
      const side = (sign: string) => (sign === "" ? "." : (brackets.get(sign) ?? sign));
      const [begins, ends] = [property(element, "m:begChr") ?? "(", property(element, "m:endChr") ?? ")"];
      const between = escaped(property(element, "m:sepChr") ?? "|");
      return `\\left${side(begins)} ${each("m:e").join(between)} \\right${side(ends)}`;
    }
    case "m:func": {
      const called = of("m:fName").trim();
      const plain = called.replace(/^\\text\{(.*)\}$/, "$1");
      const written = functions.has(plain)
        ? `\\${plain}`
        : /^\p{L}+$/u.test(plain)
          ? `\\operatorname{${plain}}`
          : called;
      return `${written} {${of("m:e")}}`;
    }
    case "m:acc":
      return `${accents.get(property(element, "m:chr") ?? "\u0302") ?? "\\hat"}{${of("m:e")}}`;
    case "m:bar":
      return `${property(element, "m:pos") === "top" ? "\\overline" : "\\underline"}{${of("m:e")}}`;
    case "m:groupChr":
      return `${property(element, "m:pos") === "top" ? "\\overbrace" : "\\underbrace"}{${of("m:e")}}`;
    case "m:limLow":
      return limitOf(of("m:e"), of("m:lim"), "_", "\\underset");
    case "m:limUpp":
      return limitOf(of("m:e"), of("m:lim"), "^", "\\overset");
    case "m:m":
      return `\\begin{matrix}${inside(element)
        .filter((one) => nameOf(one) === "m:mr")
        .map((row) => texOf(row, depth + 1))
        .join(" \\\\ ")}\\end{matrix}`;
    case "m:mr":
      return each("m:e").join(" & ");
    case "m:eqArr":
      return `\\begin{gathered}${each("m:e").join(" \\\\ ")}\\end{gathered}`;
    default:
      return all(element, depth + 1);
  }
}

/** Below a "lim" its limit; below or above anything else, what stands there. */
const limitOf = (called: string, limit: string, side: "_" | "^", over: string): string => {
  const plain = called.replace(/^\\text\{(.*)\}$/, "$1").trim();
  return functions.has(plain) ? `\\${plain}${side}{${limit}}` : `${over}{${limit}}{${called}}`;
};

const bracketed = (text: string) => (/^(?:[\p{L}\p{N}.,]*|\([^()]*\))$/u.test(text) ? text : `(${text})`);

/** In one line of signs: "(a+b)/2", "x^2", "√(x+1)". */
function wordsOf(element: Xml, depth: number): string {
  if (depth > DEEPEST) return "";
  const name = nameOf(element);
  if (name === "#text" || name.endsWith("Pr")) return "";
  if (name === "m:t") return textOf(element);
  const of = (part: string) => {
    const found = child(element, part);
    return found ? wordsOf(found, depth + 1) : "";
  };
  switch (name) {
    case "m:f":
      return `${bracketed(of("m:num"))}/${bracketed(of("m:den"))}`;
    case "m:sSup":
      return `${bracketed(of("m:e"))}^${bracketed(of("m:sup"))}`;
    case "m:sSub":
      return `${of("m:e")}_${bracketed(of("m:sub"))}`;
    case "m:rad":
      return `${of("m:deg")}√${bracketed(of("m:e"))}`;
    case "m:nary":
      return `${property(element, "m:chr") ?? "∫"} ${of("m:sub")} ${of("m:sup")} ${of("m:e")}`;
    case "m:d":
      return `${property(element, "m:begChr") ?? "("}${inside(element)
        .filter((one) => nameOf(one) === "m:e")
        .map((one) => wordsOf(one, depth + 1))
        .join(", ")}${property(element, "m:endChr") ?? ")"}`;
    default:
      return inside(element)
        .map((one) => wordsOf(one, depth + 1))
        .join(/^m:(?:mr|m|eqArr)$/.test(name) ? " " : "");
  }
}
