/**
 * Addresses gone to that the router has not followed to yet, oldest first. They are kept outside of React's own state: a
 * rendering that is given up half-way must leave no trace in what she has typed.
 */
export function addressesAhead() {
  let ahead: string[] = [];
  const listeners = new Set<() => void>();
  const become = (next: string[]) => {
    ahead = next;
    for (const listener of listeners) listener();
  };
  return {
    subscribe: (listener: () => void) => {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
    last: (): string | null => ahead.at(-1) ?? null,
    send: (address: string) => become([...ahead, address]),
    /** What was gone to before it has been passed; an address nobody here went to ends them all. */
    arrive: (address: string) => become(ahead.includes(address) ? ahead.slice(ahead.indexOf(address) + 1) : []),
    drop: () => become([]),
  };
}
