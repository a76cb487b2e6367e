import type { Manipulative, ManipulativeName } from "./schema";

export type { Manipulative, ManipulativeName, ManipulativeOf } from "./schema";

export const manipulativeNames = [
  "number line",
  "bars",
  "base ten",
  "clock",
  "balance",
  "graph reader",
  "coins",
  "ruler",
] as const satisfies readonly ManipulativeName[];

/**
 * One of a kind, set up so that it works before anything is changed.
 * `newManipulative("number line", "en")` gives `{ tool: "number line", axis: { from: 0, to: 20, step: 1 } }`.
 */
export function newManipulative(name: ManipulativeName, language: string): Manipulative {
  switch (name) {
    case "number line":
      return { tool: name, axis: { from: 0, to: 20, step: 1 } };
    case "bars":
      return { tool: name, parts: [4, 8] };
    case "base ten":
      return { tool: name, places: 3 };
    case "clock":
      return { tool: name, from: 9 * 60, to: 9 * 60 };
    case "balance":
      return {
        tool: name,
        left: [{ name: { [language]: "?" }, weight: 350 }],
        weights: [500, 200, 100, 50],
        unit: "g",
      };
    case "graph reader":
      return {
        tool: name,
        x: { from: 0, to: 24, step: 1 },
        y: { from: 0, to: 6, step: 1 },
        points: [
          [0, 1],
          [6, 5],
          [12, 1],
          [18, 5],
          [24, 1],
        ],
        curve: "tide",
      };
    case "coins":
      return { tool: name, currency: "USD" };
    case "ruler":
      return { tool: name, measure: "length", media: "drawing:boat-plan", description: {}, width: 20, unit: "cm" };
  }
}
