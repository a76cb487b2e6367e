import { inLanguage } from "@/core/content/language";
import { kindOf } from "@/core/question/kinds";
import { allQuestions, questionsOf, titleOf } from "@/core/resource/document";
import type { Block } from "@/core/resource/block";
import { element, openInHtml, writeMarkup, type Element } from "../markup";
import { inScript } from "../lrmi";
import type { BytesOf, Outgoing, OutgoingResource } from "../outgoing";
import { blockMarkup, type PageStyle } from "../xhtml/block-markup";
import { creditMarkup, stepMarkup } from "../xhtml/page-markup";
import { richMarkup } from "../xhtml/rich-markup";
import { questionForm, type FormWords } from "./question-form";

/** Words of the page, from the catalogue of its language. */
export type OnePageWords = FormWords &
  Readonly<Record<"check" | "hint" | "right" | "partly" | "partlyOf" | "wrong" | "blank" | "toRead", string>>;

const LOOK = `
:root{color-scheme:light}
body{max-width:44rem;margin:2rem auto;padding:0 1rem;font:18px/1.6 system-ui,sans-serif;color:#23211d;background:#fffdf8}
img,video{max-width:100%;height:auto}h1,h2{font-family:Georgia,serif;line-height:1.25}
table{border-collapse:collapse}th,td{border:1px solid #bdb29a;padding:.3rem .6rem;text-align:left}
form{border:1px solid #e2d9c6;border-radius:10px;padding:1rem 1.2rem;margin:1.5rem 0;background:#fff}
.choices{display:grid;gap:.5rem}.choices label,.pair{display:flex;flex-wrap:wrap;gap:.6rem;align-items:center}
.choices img,.pair img{max-height:7rem}input[type=radio],input[type=checkbox]{width:1.3rem;height:1.3rem}
input[type=text],select,textarea{font:inherit;padding:.35rem .5rem;border:1px solid #8d8471;border-radius:6px;background:#fff;color:inherit}
input[type=text]{width:8rem}input.wide{width:min(100%,24rem)}textarea{width:100%;box-sizing:border-box}
button{font:inherit;cursor:pointer}button[type=submit]{margin-top:1rem;padding:.45rem 1.2rem;border:0;border-radius:8px;background:#235444;color:#fff}
button.word{border:0;background:none;padding:0 .1rem;color:inherit}button.word[aria-pressed=true]{background:#f3d88a;text-decoration:underline}
:focus-visible{outline:3px solid #2f5f8a;outline-offset:2px}output{display:block;margin-top:.6rem;font-weight:600;min-height:1.6em}
details{margin-top:.6rem}.underlined{text-decoration:underline}.credit{color:#5e574b;font-size:.85em}`;

/** Nothing of the page may ask for anything from elsewhere. */
const ALONE =
  "default-src 'none'; img-src data:; media-src data:; style-src 'unsafe-inline'; script-src 'unsafe-inline'; form-action 'none'; base-uri 'none'";

/**
 * A resource as one page of HTML with everything in it: pictures, sounds, the questions and what checks them. It asks for nothing from
 * anywhere. `checker`: the script of checker.ts, bundled.
 */
export async function writeOnePage(
  { document, author }: OutgoingResource,
  files: Outgoing["files"],
  bytesOf: BytesOf,
  of: { words: OnePageWords; checker: string; largest: number },
): Promise<string> {
  const { words, checker } = of;
  const inline = new Map<string, string>();
  let room = of.largest;
  for (const { reference, mime } of files.values()) {
    const bytes = await bytesOf(reference);
    if (bytes.length > room) continue;
    room -= bytes.length;
    inline.set(reference, `data:${mime};base64,${Buffer.from(bytes).toString("base64")}`);
  }
  const { languages } = document;
  const style: PageStyle = { languages, forTeacher: false, place: (reference) => inline.get(reference) ?? null };
  const asked = (block: Block): Element[] =>
    questionsOf({ blocks: [block] }).map((question) => {
      const form = questionForm(question, style, words);
      const hint = richMarkup(inLanguage(question.hint, languages));
      const picture = "media" in question ? style.place(question.media) : null;
      return element(
        "form",
        { "data-question": question.id },
        ...richMarkup(inLanguage(question.prompt, languages)),
        picture && "description" in question
          ? element("p", {}, element("img", { src: picture, alt: inLanguage(question.description, languages) ?? "" }))
          : null,
        ...(form ?? [element("p", {}, words.awayFromPage)]),
        hint.length > 0 && element("details", {}, element("summary", {}, words.hint), ...hint),
        form && kindOf(question).mark && element("button", { type: "submit" }, words.check),
        element("output", { "aria-live": "polite" }),
      );
    });
  const title = titleOf(document);
  const steps = document.steps.map((step) =>
    element(
      "section",
      {},
      ...stepMarkup(step, style, []),
      ...step.blocks.flatMap((block) => [
        ...(block.type === "question"
          ? []
          : blockMarkup(block.type === "film" ? { ...block, stops: [] } : block, style)),
        ...asked(block),
      ]),
    ),
  );
  const questions = allQuestions(document).map(({ question }) => question);
  const root = element(
    "html",
    { lang: languages[0]! },
    element(
      "head",
      {},
      element("meta", { charset: "utf-8" }),
      element("meta", { name: "viewport", content: "width=device-width, initial-scale=1" }),
      element("meta", { "http-equiv": "Content-Security-Policy", content: ALONE }),
      element("title", {}, title),
      element("style", {}, { written: LOOK }),
    ),
    element(
      "body",
      {},
      element("main", {}, element("h1", {}, title), ...steps, ...creditMarkup(document, author)),
      element(
        "script",
        { type: "application/json", id: "questions" },
        { written: inScript({ languages, words, questions }) },
      ),
      // The bundle ends no script early: a bundler writes "<\/script>".
      element("script", {}, { written: checker }),
    ),
  );
  return `<!DOCTYPE html>\n${writeMarkup(root, openInHtml)}\n`;
}
