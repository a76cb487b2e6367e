import fc from "fast-check";
import { paces, quickKinds, type LessonCommand } from "../lesson";

export { fc };

const stepAt = fc.integer({ min: 0, max: 4 }).map((nth) => ({ step: `s${nth + 1}`, nth }));

/** Anything a teacher can do, in any order. */
export const commandsArbitrary: fc.Arbitrary<LessonCommand[]> = fc.array(
  fc.oneof<fc.Arbitrary<LessonCommand>[]>(
    stepAt.map((at) => ({ do: "begin", ...at })),
    stepAt.map((at) => ({ do: "go", ...at })),
    fc.constantFrom(...paces).map((pace) => ({ do: "pace", pace })),
    fc.boolean().map((up) => ({ do: "eyes up", up })),
    fc.constantFrom("board" as const, "every screen" as const).map((where) => ({ do: "film", where })),
    fc.nat(90).map((from) => ({ do: "play", block: "film", from })),
    fc.constant({ do: "stop film" }),
    fc.integer({ min: 5, max: 3600 }).map((seconds) => ({ do: "start timer", label: "Pairs", seconds })),
    fc.constantFrom({ do: "hold timer" as const }, { do: "run timer" as const }, { do: "end timer" as const }),
    fc.integer({ min: -600, max: 600 }).map((seconds) => ({ do: "add to timer", seconds })),
    fc.nat(4000).map((x) => ({ do: "draw", stroke: { id: `${x}`, on: x % 2 ? "b1" : null, points: [x, 0, 9, x] } })),
    fc.constantFrom({ do: "take back stroke" as const }, { do: "wipe" as const }),
    fc.string({ maxLength: 40 }).map((text) => ({ do: "note", text })),
    fc
      .boolean()
      .map((chart) => ({ do: "show", shown: { question: "q1", chart, right: chart ? null : "12 h", answers: [] } })),
    fc.constantFrom(...quickKinds).map((kind) => ({
      do: "ask",
      question: { id: kind, kind, ask: "Ready?", options: kind === "choose" ? ["yes", "no"] : [] },
    })),
    fc.boolean().map((show) => ({ do: "close question", show })),
    stepAt.map(({ step, nth }) => ({
      do: "work",
      step,
      work:
        nth === 0
          ? null
          : {
              mode: nth % 2 === 0 ? "pairs" : "class",
              groups: [
                [
                  { student: 1, name: "Aisha" },
                  { student: 2, name: "Bo" },
                ],
              ],
              onBoard: false as boolean,
              shared: true as boolean,
              frozen: false as boolean,
            },
    })),
    fc.constant({ do: "end" }),
  ),
  { maxLength: 40 },
);
