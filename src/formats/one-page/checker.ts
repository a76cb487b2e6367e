// Runs in a page that stands alone (write-one-page.ts): checks what is answered there with the same marking as everywhere else, without a
// network. Bundled by scripts/build-parts.mjs.
import { inLanguage } from "@/core/content/language";
import { plainText } from "@/core/content/rich-text";
import { mark } from "@/core/question/mark";
import type { Question } from "@/core/question/question";
import { responseFrom } from "./read-form";

interface OnPage {
  languages: string[];
  words: Record<"right" | "partly" | "partlyOf" | "wrong" | "blank" | "toRead", string>;
  questions: Question[];
}

const page = JSON.parse(document.getElementById("questions")!.textContent) as OnPage;

function valuesIn(form: Element): Map<string, string | boolean> {
  return new Map(
    [...form.querySelectorAll<HTMLElement>("[data-part]")].map((control) => [
      control.dataset.part!,
      control instanceof HTMLButtonElement
        ? control.getAttribute("aria-pressed") === "true"
        : control instanceof HTMLInputElement && control.type !== "text"
          ? control.checked
          : (control as HTMLInputElement).value,
    ]),
  );
}

function textOf(question: Question, form: Element): string {
  const { verdict, parts } = mark(question, responseFrom(question, valuesIn(form)), page.languages[0]);
  const { words, languages } = page;
  const all = Object.values(parts);
  const verdicts = {
    right: words.right,
    wrong: words.wrong,
    blank: words.blank,
    "to read": words.toRead,
    partly:
      all.length > 1
        ? words.partlyOf.replace("{right}", String(all.filter(Boolean).length)).replace("{parts}", String(all.length))
        : words.partly,
  };
  const said =
    verdict === "right" ? question.feedback?.right : verdict === "wrong" ? question.feedback?.wrong : undefined;
  return [
    verdicts[verdict],
    ...[said, verdict === "blank" ? undefined : question.feedback?.general].map((rich) =>
      plainText(inLanguage(rich, languages)),
    ),
  ]
    .filter(Boolean)
    .join(" ");
}

for (const button of document.querySelectorAll<HTMLElement>("button.word"))
  button.addEventListener("click", () =>
    button.setAttribute("aria-pressed", String(button.getAttribute("aria-pressed") !== "true")),
  );
for (const form of document.querySelectorAll("form[data-question]")) {
  const question = page.questions.find(({ id }) => id === (form as HTMLElement).dataset.question);
  const says = form.querySelector("output");
  if (!question || !says) continue;
  form.addEventListener("submit", (event) => {
    event.preventDefault();
    says.textContent = textOf(question, form);
  });
  form.addEventListener("input", () => {
    says.textContent = "";
  });
}
