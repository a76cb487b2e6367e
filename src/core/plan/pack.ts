/**
 * Lays lessons over class meetings: in their order, none fuller than it has to be, in as few meetings as possible.
 * A lesson that no meeting has room for is split between its steps.
 *
 *   lessons   A 30   B 90: steps 40 30 20   C 15
 *   meetings  | 45 |    | 45 |    | 45 |    | 45 |
 *   laid      A 30      B1 40     B2 30,C 15 …        C never before B, B only split between steps
 *
 * It is bin packing with a given order, so the best way is found by dynamic programming and not by guessing.
 */
export interface Lesson {
  id: number;
  /** Minutes of its steps, in order; at least one. */
  steps: readonly number[];
}

/** A meeting with what is already planned in it. */
export interface Room {
  minutes: number;
  used: number;
}

export interface Laid {
  lesson: number;
  /** Which of the meetings given. */
  meeting: number;
  /** The steps taught then: from, up to but without `to`. */
  from: number;
  to: number;
  minutes: number;
}

export interface Packed {
  laid: Laid[];
  /** Lessons for which there was no meeting left. */
  left: number[];
  /** Minutes by which meetings are overfull, because a single step is longer than any of them. */
  over: number;
}

interface Piece {
  lesson: number;
  from: number;
  to: number;
  minutes: number;
}

const sum = (numbers: readonly number[]) => numbers.reduce((total, number) => total + number, 0);

/** Lessons as pieces that are not split further: whole where some meeting has room for the whole, else by steps. */
function piecesOf(lessons: readonly Lesson[], most: number): Piece[] {
  return lessons.flatMap(({ id, steps }) => {
    const minutes = sum(steps);
    if (minutes <= most) return [{ lesson: id, from: 0, to: steps.length, minutes }];
    return steps.map((step, at) => ({ lesson: id, from: at, to: at + 1, minutes: step }));
  });
}

/** Neighbouring pieces of one lesson in one meeting are one piece again. */
function joined(pieces: readonly (Piece & { meeting: number })[]): Laid[] {
  const laid: Laid[] = [];
  for (const { lesson, meeting, from, to, minutes } of pieces) {
    const last = laid.at(-1);
    if (last?.lesson === lesson && last.meeting === meeting && last.to === from) {
      last.to = to;
      last.minutes += minutes;
    } else laid.push({ lesson, meeting, from, to, minutes });
  }
  return laid;
}

/** Less is better: minutes too many, then meetings used, then how late the minutes come. Each adds up over meetings. */
type Cost = readonly [over: number, used: number, late: number];

const less = (one: Cost, other: Cost): boolean => {
  for (const [at, value] of one.entries()) if (value !== other[at]) return value < other[at]!;
  return false;
};

/**
 * `pack([{ id: 1, steps: [20, 20] }], [{ minutes: 45, used: 0 }]).laid.length` gives `1`.
 * @param lessons in the order they are taught
 * @param meetings in the order they happen
 */
export function pack(lessons: readonly Lesson[], meetings: readonly Room[]): Packed {
  const room = meetings.map(({ minutes, used }) => Math.max(0, minutes - used));
  const most = Math.max(0, ...room);
  const pieces = piecesOf(lessons, most);
  const n = pieces.length;
  const before = [0];
  for (const piece of pieces) before.push(before.at(-1)! + piece.minutes);

  // best[j][i]: the cheapest way to have laid the first i pieces within the first j meetings.
  const best: (Cost | undefined)[][] = [[[0, 0, 0]]];
  const taken: number[][] = [[]];
  for (const [j, free] of room.entries()) {
    const next: (Cost | undefined)[] = best[j]!.slice();
    const chosen: number[] = Array.from({ length: n + 1 }, () => 0);
    for (let i = 0; i < n; i += 1) {
      const cost = best[j]![i];
      if (!cost) continue;
      for (let k = i + 1; k <= n; k += 1) {
        const minutes = before[k]! - before[i]!;
        const over = Math.max(0, minutes - free);
        // Overfull only by a single piece that fits nowhere: two of them could always be apart.
        if (over > 0 && (k > i + 1 || pieces[i]!.minutes <= most || free === 0)) break;
        const candidate: Cost = [cost[0] + over, cost[1] + 1, cost[2] + minutes * j];
        const known = next[k];
        if (!known || less(candidate, known)) {
          next[k] = candidate;
          chosen[k] = k - i;
        }
      }
    }
    best.push(next);
    taken.push(chosen);
  }

  const end = best[room.length]!;
  let at = n;
  while (!end[at]) at -= 1;
  const left = [...new Set(pieces.slice(at).map(({ lesson }) => lesson))];
  const over = end[at]![0];
  const laid: (Piece & { meeting: number })[] = [];
  for (let j = room.length; j > 0; j -= 1) {
    const count = taken[j]![at] ?? 0;
    for (let i = at - 1; i >= at - count; i -= 1) laid.unshift({ ...pieces[i]!, meeting: j - 1 });
    at -= count;
  }
  return { laid: joined(laid), left, over };
}
