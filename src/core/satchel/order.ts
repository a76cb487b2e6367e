/** One thing of an order to where another stands; the order as it was when either is not in it. */
export function movedOnto(order: readonly number[], id: number, onto: number): number[] {
  const [from, to] = [order.indexOf(id), order.indexOf(onto)];
  return from < 0 || to < 0 ? [...order] : order.toSpliced(from, 1).toSpliced(to, 0, id);
}

/** One thing so many places down, or up when negative; it stops at the ends. */
export function movedBy(order: readonly number[], id: number, by: number): number[] {
  const at = order.indexOf(id);
  const to = Math.max(0, Math.min(order.length - 1, at + by));
  return at < 0 ? [...order] : order.toSpliced(at, 1).toSpliced(to, 0, id);
}
