import type { ManipulativeName } from "@/core/manipulative/manipulative";

export const toolNames: Record<ManipulativeName, string> = {
  "number line": "Number line",
  bars: "Bars for parts of a whole",
  "base ten": "Blocks of ten",
  clock: "Clock",
  balance: "Balance",
  "graph reader": "Graph to read",
  coins: "Coins and notes",
  ruler: "Ruler on a picture",
};
