/** Everybody who knocks. Those who have nothing to do with the teacher's things are strangers to them. */
export const strangers = [
  "nobody",
  "whose session has ended",
  "who covered until yesterday",
  "a teacher of another school",
  "a teacher of another district",
  "a child of another district",
] as const;
export const known = [
  "the teacher herself",
  "who teaches the class too",
  "a colleague",
  "a curator",
  "the office",
  "a child who was given it",
  "a child by the class's code",
  "a child of another class",
] as const;
export type Name = (typeof strangers)[number] | (typeof known)[number];
