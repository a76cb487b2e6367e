import { plainText } from "@/core/content/rich-text";
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

/** A strand with three to five fronds, as a child might draw it: no two alike. */
function frondDrawn(random: SeededRandom): { ink: "blue" | "green"; width: 3; points: number[] }[] {
  const near = (value: number) => Math.min(0.98, Math.max(0.02, value + (random.next() - 0.5) * 0.06));
  const foot = near(0.5);
  const stem = [0.95, 0.7, 0.5, 0.25].flatMap((y) => [near(foot), near(y)]);
  const fronds = Array.from({ length: random.int(3, 5) }, (_, nth) => {
    const side = nth % 2 === 0 ? 1 : -1;
    const y = 0.3 + nth * 0.12;
    const reach = [0.08, 0.18, 0.28, 0.2, 0.1, 0];
    const bend = [-0.02, -0.07, -0.02, 0.04, 0.05, 0.02];
    return reach.flatMap((across, at) => [near(foot + side * across), near(y + bend[at]!)]);
  });
  return [
    { ink: "blue", width: 3, points: stem },
    ...fronds.map((points) => ({ ink: "green" as const, width: 3 as const, points })),
  ];
}

/** The answer a student who knows would give. What is photographed or spoken cannot be made up here: those stay empty. */
export function rightAnswer(question: Question, random: SeededRandom): ResponseValue {
  switch (question.type) {
    case "poll":
      return random.pick(question.options).id;
    case "photo":
      return [];
    case "speech":
    case "clip":
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
      return frondDrawn(random);
    case "longText":
      if (/test/.test(plainText(Object.values(question.prompt)[0])))
        return random.pick([
          "I would try each one three times, because once can be luck.",
          "The water has to be as strong each time. We could use the same jug and pour from the same height.",
          "Use the same stone and only change what it sits on. Then you know it was the surface.",
          "Three tries each, and somebody else should count the seconds.",
        ]);
      if (/harbour office/.test(plainText(Object.values(question.prompt)[0])))
        return random.pick([
          "Dear harbour office, for two grown-ups and one child separate tickets are 28.75 and the family ticket is 29.90. So it is 1.15 crowns dearer.",
          "I choose the family with one child, because there are not so many people and the family ticket costs the same.",
          "Two grown-ups and one child should not take the family ticket, because it is made for more children.",
          "With 2 children it is 34.50 and then the family ticket is cheaper. With 1 child it is not.",
          "It is 28.75 without it.",
        ]);
      return random.pick([
        "Because it says so in the text, and you can see it in the last part.",
        "I think it is because of the tide. First the water is high and then it goes out.",
        "You look at the first row and then you go down. The time is on the left.",
        "She was brave. It says she went on in the dark, and she did not turn round.",
        "It would be harder for the animals, because they need it for food.",
      ]);
  }
}

/** A question that the best understood otherwise than it was meant: how it begins, and what they chose, in English. */
export interface Misled {
  question: string;
  chosen: string;
}

/** Their answer; undefined: it is another question. */
export function misledBy(question: Question, misled: Misled | undefined): string | undefined {
  if (!misled || question.type !== "choice" || !plainText(question.prompt.en).startsWith(misled.question))
    return undefined;
  return question.options.find(({ text }) => text.en === misled.chosen)?.id;
}

/** A mistake a child might make: not nonsense, and not always the same. */
export function likelyMistake(question: Question, random: SeededRandom): ResponseValue {
  switch (question.type) {
    case "poll":
    case "photo":
    case "speech":
    case "clip":
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
