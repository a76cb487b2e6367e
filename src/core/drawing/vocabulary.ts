/** What drawings are made of; no library here, since pages that only show one read this too. */
export const PAGE_WIDTH = 1000;

export const drawingMost = { items: 200, penNumbers: 2000 } as const;

export const shapeForms = ["rectangle", "ellipse", "triangle"] as const;
export const fills = ["none", "white", "sand", "sky", "leaf", "rose"] as const;

/** Height of a page by its form; over a picture it is the picture's own. */
export const pageHeights = { wide: 560, sheet: 750, square: 1000, tall: 1330 } as const;
export type PageForm = keyof typeof pageHeights;
