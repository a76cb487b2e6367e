/** Where a film waits. Times are seconds from the beginning of the file. */
export interface Stop {
  id: string;
  at: number;
  maySkip: boolean;
}

/**
 * The first stop the film comes to between two moments, the later one included; stops that were passed let it through.
 * `stopBetween([{ id: "a", at: 4, maySkip: false }], new Set(), 3, 5)?.id` gives `"a"`.
 */
export function stopBetween<Of extends Stop>(
  stops: readonly Of[],
  passed: ReadonlySet<string>,
  from: number,
  to: number,
): Of | null {
  const ahead = stops.filter((stop) => stop.at > from && stop.at <= to && !passed.has(stop.id));
  return ahead.reduce<Of | null>((first, stop) => (first === null || stop.at < first.at ? stop : first), null);
}

/**
 * How far somebody may jump ahead: to the first stop that has to be answered and is not.
 * `farthest([{ id: "a", at: 4, maySkip: false }], new Set(), 60)` gives `4`.
 */
export function farthest(stops: readonly Stop[], passed: ReadonlySet<string>, end: number): number {
  const waiting = stops.filter((stop) => !stop.maySkip && !passed.has(stop.id)).map((stop) => stop.at);
  return Math.min(end, ...waiting);
}

/** A moment inside the part that is shown, to a tenth of a second. `within(12.34, 0, 10)` gives `10`. */
export const within = (seconds: number, from: number, to: number): number =>
  Math.round(Math.max(from, Math.min(to, seconds)) * 10) / 10;
