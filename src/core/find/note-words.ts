/** How a lesson went, in a word or four: what colleagues most want to know before they use it. */
export const noteWords = [
  "went well",
  "too easy",
  "too hard",
  "too long",
  "too short",
  "loved it",
  "needed help",
  "good talk",
  "for fast finishers",
  "needs a helper",
] as const;
