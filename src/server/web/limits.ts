import { tries, type Tries } from "./tries";

/**
 * Guessing is slow, and costs nobody else anything. Only failures count: a try is counted as it begins, so that a thousand at
 * once are counted too, and is taken off again when it was right. A name tried from one address too often must wait;
 * from other addresses, its owner's among them, it opens as ever. A whole school is behind one address, so an address is
 * never shut: after many failures its tries are answered one after another, a second apart. Several processes on one PostgreSQL
 * count together: see tries.ts.
 */
const perNameAndAddress = tries("name and address", { points: 8, duration: 15 * 60 });
const perName = tries("name", { points: 40, duration: 15 * 60 });
const perAddress = tries("address", { points: 60, duration: 10 * 60 });

/** Between two tries of an address, or for a name, that has failed too often. */
export const SLOW_MS = 1_000;
/** While somebody waits, how often we look whether enough tries have turned out right. */
const LOOK_MS = 25;
/** A school that begins its day has no more than this many waiting. */
const MOST_WAITING = 500;

export type Allowed = { allowed: true } | { allowed: false; minutes: number };

const plain = (name: string) => name.trim().toLowerCase();
const both = (name: string, address: string) => `${address} ${plain(name)}`;

const queues = new Map<string, { last: Promise<void>; waiting: number }>();

type Pause = (ms: number) => Promise<void>;

/** A second; or less, as soon as it is free again. */
async function waitAtMostASecond(pause: Pause, isFree: () => Promise<boolean>): Promise<void> {
  for (let waited = 0; waited < SLOW_MS; waited += LOOK_MS) {
    if (await isFree()) return;
    await pause(LOOK_MS);
  }
}

/** Waits its turn behind those who came before, and then as `wait` says. False when too many wait already. */
async function takeTurn(key: string, wait: () => Promise<unknown>): Promise<boolean> {
  const queue = queues.get(key) ?? { last: Promise.resolve(), waiting: 0 };
  if (queue.waiting >= MOST_WAITING) return false;
  queues.set(key, queue);
  queue.waiting += 1;
  // What goes wrong for one is not everybody's after that one.
  const turn = queue.last.catch(() => undefined).then(async () => void (await wait()));
  queue.last = turn;
  try {
    await turn;
  } finally {
    queue.waiting -= 1;
    if (queue.waiting === 0) queues.delete(key);
  }
  return true;
}

const pauseFor = (ms: number) => new Promise<void>((done) => setTimeout(done, ms));

/** Whether this key has failed too often; the try that asks is counted. */
async function countTry(limit: Tries, key: string): Promise<{ over: boolean; minutes: number }> {
  const { count, ms } = await limit.add(key);
  return { over: count > limit.points, minutes: Math.max(1, Math.ceil(ms / 60_000)) };
}

/**
 * Counts a try; where there were too many, waits first. They are counted as they begin, so a school that begins its day has as many under way: those that
 * wait do not count meanwhile, and go on as soon as others were right. Null: it may be; otherwise minutes to wait.
 */
async function countInTurn(limit: Tries, key: string, pause: Pause): Promise<number | null> {
  const { over, minutes } = await countTry(limit, key);
  if (!over) return null;
  await limit.less(key);
  const isFree = async () => ((await limit.see(key))?.count ?? 0) < limit.points;
  const turn = async () => {
    await waitAtMostASecond(pause, isFree);
    await limit.add(key);
  };
  return (await takeTurn(key, turn)) ? null : minutes;
}

/** Asked before a name and its password are looked at: may wait, and answers with minutes to wait where guessing goes on. */
export async function allowSignIn(name: string, address: string, pause = pauseFor): Promise<Allowed> {
  const here = await countTry(perNameAndAddress, both(name, address));
  if (here.over) return { allowed: false, minutes: here.minutes };
  for (const [limiter, key] of [
    [perName, plain(name)],
    [perAddress, address],
  ] as const) {
    const minutes = await countInTurn(limiter, key, pause);
    if (minutes !== null) return { allowed: false, minutes };
  }
  return { allowed: true };
}

/** A sign-in that succeeded does not count, and somebody who mistyped seven times starts afresh. */
export async function forgetAttempts(name: string, address: string): Promise<void> {
  await perNameAndAddress.forget(both(name, address));
  await perName.less(plain(name));
  await perAddress.less(address);
}

/** Six digits are few: somebody who knows the password may try ten codes in a quarter of an hour, however often they begin again. */
const perPersonCodes = tries("codes of a person", { points: 10, duration: 15 * 60 });

/** Asked before a second step's code is looked at. */
export async function allowCode(person: number): Promise<Allowed> {
  const { over, minutes } = await countTry(perPersonCodes, String(person));
  return over ? { allowed: false, minutes } : { allowed: true };
}

/** The code was right. */
export async function forgetCodes(person: number): Promise<void> {
  await perPersonCodes.forget(String(person));
}

/** Asked before a class's code is looked at. */
export async function allowJoin(address: string, pause = pauseFor): Promise<Allowed> {
  const minutes = await countInTurn(perAddress, address, pause);
  return minutes === null ? { allowed: true } : { allowed: false, minutes };
}

const perAddressLinks = tries("links of an address", { points: 60, duration: 10 * 60 });

/**
 * Asked before the address of a link is looked at. Nobody guesses 128 bits, so tries are counted when they were wrong; an address
 * with many of those is answered one try a second, as for codes.
 */
export async function allowLook(address: string, pause = pauseFor): Promise<Allowed> {
  const seen = await perAddressLinks.see(address);
  if (!seen || seen.count <= perAddressLinks.points) return { allowed: true };
  const minutes = Math.max(1, Math.ceil(seen.ms / 60_000));
  return (await takeTurn(`link ${address}`, () => pause(SLOW_MS))) ? { allowed: true } : { allowed: false, minutes };
}

export async function countWrongLook(address: string): Promise<void> {
  await perAddressLinks.add(address);
}

/** A code that opens a class does not count. */
export async function forgetJoin(address: string): Promise<void> {
  await perAddress.less(address);
}
