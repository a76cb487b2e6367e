/** A small seeded generator of random numbers (mulberry32): the same seed always gives the same library. */
export class SeededRandom {
  constructor(private state: number) {}

  /** In [0, 1). */
  next = (): number => {
    this.state = (this.state + 0x6d2b79f5) | 0;
    let t = Math.imul(this.state ^ (this.state >>> 15), 1 | this.state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };

  /** A whole number from `from` to `to`, both included. */
  int(from: number, to: number): number {
    return from + Math.floor(this.next() * (to - from + 1));
  }

  pick<Item>(items: readonly Item[]): Item {
    return items[Math.floor(this.next() * items.length)]!;
  }

  /** `count` different ones, in random order. */
  some<Item>(items: readonly Item[], count: number): Item[] {
    const left = [...items];
    return Array.from(
      { length: Math.min(count, left.length) },
      () => left.splice(Math.floor(this.next() * left.length), 1)[0]!,
    );
  }
}
