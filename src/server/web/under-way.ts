// One for the whole process, however many bundles of this module there are.
const holder = globalThis as { goldenSatchelUnderWay?: { count: number; waiting: (() => void)[] } };
const state = (holder.goldenSatchelUnderWay ??= { count: 0, waiting: [] });

/** Does a piece of work that a stop waits for. */
export async function underWay<Value>(work: () => Promise<Value>): Promise<Value> {
  state.count += 1;
  try {
    return await work();
  } finally {
    state.count -= 1;
    if (state.count === 0) state.waiting.splice(0).forEach((done) => done());
  }
}

/** Waits until nothing is under way, but no longer than this many milliseconds. Whether everything came to its end. */
export async function allDone(limit: number): Promise<boolean> {
  if (state.count === 0) return true;
  return new Promise((resolve) => {
    const timer = setTimeout(() => resolve(false), limit);
    state.waiting.push(() => {
      clearTimeout(timer);
      resolve(true);
    });
  });
}
