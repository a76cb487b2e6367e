/**
 * One thing of an order to where another stands; the order as it was when either is not in it.
 * `movedOnto([1, 2, 3], 3, 1)` gives `[3, 1, 2]`.
 */
export function movedOnto(order: readonly number[], id: number, onto: number): number[] {
  const [from, to] = [order.indexOf(id), order.indexOf(onto)];
  return from < 0 || to < 0 ? [...order] : order.toSpliced(from, 1).toSpliced(to, 0, id);
}

/** One thing this many places down, or up when negative; it stops at the ends. `movedBy([1, 2, 3], 3, -1)` gives `[1, 3, 2]`. */
export function movedBy(order: readonly number[], id: number, by: number): number[] {
  const at = order.indexOf(id);
  const to = Math.max(0, Math.min(order.length - 1, at + by));
  return at < 0 ? [...order] : order.toSpliced(at, 1).toSpliced(to, 0, id);
}

/** Where a thing was put: between these two, as the person who moved it saw them; null: the end. */
export interface Beside {
  after: number | null;
  before: number | null;
}

/** What stands beside a thing in an order. `besides([1, 2, 3], 2)` gives `{ after: 1, before: 3 }`. */
export function besides(order: readonly number[], id: number): Beside {
  const at = order.indexOf(id);
  return { after: order[at - 1] ?? null, before: order[at + 1] ?? null };
}

/**
 * One thing of an order between two others, whatever else has come, gone or moved since these were seen: right after the one, or, when
 * that is gone, right before the other. Where neither is there any more, it goes to the end it was moved to, or stays.
 * `placedBeside([1, 2, 3], 3, { after: 1, before: 2 })` gives `[1, 3, 2]`.
 */
export function placedBeside(order: readonly number[], id: number, { after, before }: Beside): number[] {
  if (!order.includes(id)) return [...order];
  const others = order.filter((one) => one !== id);
  const [left, right] = [after, before].map((one) => (one === null ? -1 : others.indexOf(one)));
  const to = left! >= 0 ? left! + 1 : right! >= 0 ? right! : after === null ? 0 : before === null ? others.length : -1;
  return to < 0 ? [...order] : others.toSpliced(to, 0, id);
}
