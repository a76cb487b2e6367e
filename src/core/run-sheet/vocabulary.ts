/** The words of a run sheet; no library here: pages read this. */
export const lineKinds = ["I say", "I do", "they do", "they show"] as const;
export type LineKind = (typeof lineKinds)[number];

export const sheetPhases = ["open", "teach", "pairs", "practise", "check", "close"] as const;
export type SheetPhase = (typeof sheetPhases)[number];

/** How the child who comes to the board is chosen. */
export const chosenHow = ["named", "turns", "lot"] as const;
export type ChosenHow = (typeof chosenHow)[number];

export const mostInRunSheet = { days: 20, parts: 40, lines: 60 } as const;
