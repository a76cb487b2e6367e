/** What can be seen of a class; in its address. Not in the screen's module: the server reads this list too. */
export const classViews = ["roster", "groups", "seats", "ways in", "reading"] as const;
export type ClassView = (typeof classViews)[number];
