import { inLanguage } from "@/core/content/language";
import { fieldsOf } from "@/core/question/types/note-page/fields";
import type { Question, ResponseValue } from "@/core/question/question";
import type { SeededRandom } from "./bulk/random";

const noted = [
  "The water falls first by the wall.",
  "It takes about six hours.",
  "I wonder who put the post there.",
  "More at noon than in the morning.",
];

/** The answer a student who knows would give. What is photographed or spoken cannot be made up here: those stay empty. */
export function rightAnswer(question: Question, random: SeededRandom): ResponseValue {
  switch (question.type) {
    case "poll":
      return random.pick(question.options).id;
    case "photo":
      return [];
    case "speech":
      return { media: "", seconds: 0 };
    case "notePage":
      return Object.fromEntries(fieldsOf(question, ["en"]).map(({ id }) => [id, random.pick(noted)]));
    case "choice":
      return question.right ?? question.options[0]!.id;
    case "choices":
      return question.right;
    case "shortText":
      return question.accepted[0]?.text ?? "";
    case "number":
      return Object.fromEntries(
        question.parts.map((part) => [
          part.id,
          { number: String(part.right), ...(part.units && { unit: part.units[0]!.name }) },
        ]),
      );
    case "gaps":
      return Object.fromEntries(question.gaps.map((gap) => [gap.id, gap.accepted[0]!]));
    case "match":
      return question.pairs;
    case "order":
    case "groups":
    case "labels":
    case "line":
    case "points":
      return question.right;
    case "place":
      return question.right.map(({ x, y }): [number, number] => [x, y]);
    case "bars":
      return Object.fromEntries(question.bars.map((bar) => [bar.id, bar.right]));
    case "highlight":
      return Object.values(question.right)[0] ?? [];
    case "cells":
      return Object.fromEntries(question.gaps.map((gap) => [gap.id, gap.accepted[0]!]));
    case "sketch":
      return [{ ink: "blue", width: 3, points: [0.1, 0.6, 0.3, 0.4, 0.5, 0.6, 0.7, 0.4, 0.9, 0.6] }];
    case "longText":
      return random.pick([
        "Because it says so in the text, and you can see it in the last part.",
        "I think it is because of the tide. First the water is high and then it goes out.",
        "You look at the first row and then you go down. The time is on the left.",
        "She was brave. It says she went on in the dark, and she did not turn round.",
        "It would be harder for the animals, because they need it for food.",
      ]);
  }
}

/** A mistake a child might make: not nonsense, and not always the same. */
export function likelyMistake(question: Question, random: SeededRandom): ResponseValue {
  switch (question.type) {
    case "poll":
    case "photo":
    case "speech":
      return rightAnswer(question, random);
    case "notePage":
      return {};
    case "choice":
      return random.pick(question.options.filter((option) => option.id !== question.right)).id;
    case "choices":
      return random.next() < 0.5
        ? question.right.slice(0, -1)
        : [
            ...question.right.slice(1),
            random.pick(question.options.filter((option) => !question.right.includes(option.id)) ?? question.options)
              ?.id ?? question.options[0]!.id,
          ];
    case "shortText":
      return random.pick(["I don't know", (question.accepted[0]?.text ?? "x").slice(0, -2) + "n", "tide"]);
    case "number": {
      const off = random.pick([1, -1, 10, 2]);
      return Object.fromEntries(
        question.parts.map((part, at) => [
          part.id,
          {
            number:
              at === question.parts.length - 1
                ? String(Math.round((part.right + off * Math.max(1, part.tolerance * 2)) * 100) / 100)
                : String(part.right),
            ...(part.units && { unit: random.pick(part.units).name }),
          },
        ]),
      );
    }
    case "gaps":
      return Object.fromEntries(
        question.gaps.map((gap, at) => [
          gap.id,
          at === 0
            ? random.pick(gap.options?.filter((word) => !gap.accepted.includes(word)) ?? ["sea"])
            : gap.accepted[0]!,
        ]),
      );
    case "match": {
      const [first, second, ...rest] = question.pairs;
      return first && second ? [[first[0], second[1]], [second[0], first[1]], ...rest] : question.pairs;
    }
    case "order": {
      const at = random.int(0, Math.max(0, question.right.length - 2));
      const items = [...question.right];
      [items[at], items[at + 1]] = [items[at + 1]!, items[at]!];
      return items;
    }
    case "groups": {
      const [first, ...rest] = question.right;
      const other = question.groups.find((group) => group.id !== first?.[1]);
      return first && other ? [[first[0], other.id], ...rest] : question.right;
    }
    case "labels":
      return question.right.slice(0, -1);
    case "line":
      return question.right + question.axis.step * random.pick([1, -1]);
    case "bars":
      return Object.fromEntries(
        question.bars.map((bar, at) => [bar.id, at === 0 ? bar.right + question.axis.step : bar.right]),
      );
    case "points":
      return question.right.map(([x, y], at): [number, number] => (at === 0 ? [y, x] : [x, y]));
    case "place":
      return question.right.map(({ x, y }, at): [number, number] => (at === 0 ? [1 - x, y] : [x, y]));
    case "highlight":
      return (Object.values(question.right)[0] ?? []).map((place) => place + 1);
    case "cells":
      return Object.fromEntries(question.gaps.map((gap, at) => [gap.id, at === 0 ? "?" : gap.accepted[0]!]));
    case "sketch":
      return [];
    case "longText":
      return random.pick([
        "I am not sure.",
        "because",
        inLanguage({ en: "It was a good story and I liked it." }, ["en"])!,
      ]);
  }
}
