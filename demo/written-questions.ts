import { z } from "zod";
import { richText } from "@/core/content/rich-text";
import { noteTemplates } from "@/core/content/vocabulary";
import { type Question } from "@/core/question/question";
import { passageWords } from "@/core/question/passage";

/**
 * The questions that are put together by hand and eye (sorting, labelling, graphs, marking, filling in, drawing), as a
 * lesson of the demo writes them. See demo/README.md.
 */
const Text = z.coerce.string();
const Scale = z.tuple([z.number(), z.number(), z.number()]);
const Place = z.tuple([z.number(), z.number()]);

export const handQuestions = <Shape extends z.ZodRawShape>(asked: Shape) =>
  [
    z.strictObject({ sort: Text, into: z.record(z.string(), z.array(Text)), ...asked }),
    z.strictObject({
      label: Text,
      on: z.string(),
      shows: Text,
      places: z.record(z.string(), Place),
      extra: z.array(Text).default([]),
      ...asked,
    }),
    z.strictObject({ line: Text, scale: Scale, at: z.number(), within: z.number().default(0), ...asked }),
    z.strictObject({ bars: Text, scale: Scale, heights: z.record(z.string(), z.number()), ...asked }),
    z.strictObject({ plot: Text, across: Scale, up: Scale, at: z.array(Place), ...asked }),
    z.strictObject({
      find: Text,
      on: z.string(),
      shows: Text,
      at: z.array(Place),
      within: z.number().default(0.06),
      grid: z.boolean().default(true),
      ...asked,
    }),
    z.strictObject({ mark: Text, passage: Text, by: z.enum(["word", "sentence"]).default("word"), ...asked }),
    z.strictObject({ fill: Text, cells: z.array(z.array(Text)), ...asked }),
    z.strictObject({ draw: Text, over: z.string().optional(), ...asked }),
    z.strictObject({ poll: Text, answers: z.array(Text), ...asked }),
    z.strictObject({ photograph: Text, most: z.number().default(1), ...asked }),
    z.strictObject({ speak: Text, seconds: z.number().default(60), ...asked }),
    z.strictObject({ clip: Text, seconds: z.number().default(60), ...asked }),
    z.strictObject({
      note: Text,
      page: z.enum(noteTemplates),
      count: z.number().default(4),
      headings: z.array(Text).default([]),
      ...asked,
    }),
  ] as const;

export type HandQuestion = z.infer<ReturnType<typeof handQuestions<Record<never, never>>>[number]>;

const scaleOf = ([from, to, step]: z.infer<typeof Scale>) => ({ from, to, step });
const spelling = { ignoreCase: true, ignoreAccents: false, forgiveOneSlip: false };

/** Every second first, so that what is put in order or sorted does not stand sorted already. */
const shuffled = <Item>(items: readonly Item[]): Item[] => [
  ...items.filter((_, at) => at % 2 === 1),
  ...items.filter((_, at) => at % 2 === 0),
];

type Common = Pick<Question, "id" | "marks" | "partial" | "checked" | "hint" | "feedback">;

/** `common` is what every question has; the prompt is the written form's first field. */
export function handQuestion(written: HandQuestion, common: Common, language: string): Question {
  const plain = (text: string) => ({ [language]: text });
  const asking = (prompt: string) => ({ ...common, prompt: { [language]: richText(prompt) } });
  const options = (texts: readonly string[], from: string) =>
    texts.map((text, at) => ({ id: `${from}${at + 1}`, text: plain(text) }));
  if ("sort" in written) {
    const groups = options(Object.keys(written.into), "g");
    const inGroup = Object.values(written.into).flatMap((texts, at) =>
      texts.map((text) => ({ text, group: `g${at + 1}` })),
    );
    const items = options(
      inGroup.map(({ text }) => text),
      "i",
    );
    return {
      ...asking(written.sort),
      type: "groups",
      groups,
      items: shuffled(items),
      right: items.map((item, at) => [item.id, inGroup[at]!.group]),
    };
  }
  if ("label" in written) {
    const names = Object.keys(written.places);
    const labels = options([...names, ...written.extra], "n");
    return {
      ...asking(written.label),
      type: "labels",
      media: `drawing:${written.on}`,
      description: plain(written.shows),
      spots: Object.values(written.places).map(([x, y], at) => ({ id: `s${at + 1}`, x, y })),
      labels: shuffled(labels),
      right: names.map((_, at) => [`s${at + 1}`, `n${at + 1}`]),
    };
  }
  if ("line" in written)
    return {
      ...asking(written.line),
      type: "line",
      axis: scaleOf(written.scale),
      right: written.at,
      tolerance: written.within,
    };
  if ("bars" in written) {
    return {
      ...asking(written.bars),
      type: "bars",
      axis: scaleOf(written.scale),
      bars: Object.entries(written.heights).map(([text, right], at) => ({
        id: `b${at + 1}`,
        text: plain(text),
        right,
        tolerance: 0,
      })),
    };
  }
  if ("plot" in written) {
    return {
      ...asking(written.plot),
      type: "points",
      x: scaleOf(written.across),
      y: scaleOf(written.up),
      right: written.at,
      tolerance: 0,
    };
  }
  if ("find" in written) {
    return {
      ...asking(written.find),
      type: "place",
      media: `drawing:${written.on}`,
      description: plain(written.shows),
      grid: written.grid,
      most: written.at.length,
      right: written.at.map(([x, y], at) => ({ id: `p${at + 1}`, x, y, across: written.within, down: written.within })),
    };
  }
  if ("mark" in written) {
    // *What is right* stands between stars.
    const passage = written.passage.trim().replaceAll("*", "");
    const starred = new Set<number>();
    let before = 0;
    written.passage
      .trim()
      .split("*")
      .forEach((part, at) => {
        const count = passageWords(part, written.by).filter(({ place }) => place !== null).length;
        if (at % 2 === 1) for (let nth = 0; nth < count; nth += 1) starred.add(before + nth);
        before += count;
      });
    return {
      ...asking(written.mark),
      type: "highlight",
      passage: plain(passage),
      unit: written.by,
      right: { [language]: [...starred] },
    };
  }
  if ("fill" in written) {
    const gaps: { id: string; accepted: string[] }[] = [];
    const rows = written.cells.map((row) =>
      row.map((cell) => {
        const inside = /^\[(.+)\]$/.exec(cell)?.[1];
        if (!inside) return cell;
        gaps.push({ id: `g${gaps.length + 1}`, accepted: inside.split("|") });
        return `[[g${gaps.length}]]`;
      }),
    );
    return { ...asking(written.fill), type: "cells", rows: { [language]: rows }, gaps, spelling };
  }
  if ("poll" in written)
    return { ...asking(written.poll), type: "poll", checked: "never", options: options(written.answers, "a") };
  if ("photograph" in written)
    return { ...asking(written.photograph), type: "photo", checked: "never", most: written.most };
  if ("speak" in written)
    return { ...asking(written.speak), type: "speech", checked: "never", longest: written.seconds };
  if ("clip" in written) return { ...asking(written.clip), type: "clip", checked: "never", longest: written.seconds };
  if ("note" in written)
    return {
      ...asking(written.note),
      type: "notePage",
      checked: "never",
      template: written.page,
      count: written.count,
      headings: written.headings.map(plain),
    };
  return {
    ...asking(written.draw),
    type: "sketch",
    checked: "never",
    ...(written.over && { over: `drawing:${written.over}` }),
  };
}
