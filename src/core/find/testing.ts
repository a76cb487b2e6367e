import type { Candidate, OrderedLine } from "./order";

/** An entry to be ordered, with nothing special about it. */
export const candidate = (id: number, more: Partial<Candidate> = {}): Candidate => ({
  id,
  rank: 1,
  classes: 0,
  reach: 4,
  uses: 0,
  family: 0,
  fresh: 0,
  minutes: 30,
  suits: false,
  said: null,
  ...more,
});

/** A line of one such entry. */
export const lineOf = (id: number): OrderedLine => ({
  candidate: candidate(id),
  versions: 1,
  versionsHere: 0,
  folded: false,
});
