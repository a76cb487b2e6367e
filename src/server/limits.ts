import { RateLimiterMemory } from "rate-limiter-flexible";

/** Guessing is slow: per name and per address. Kept in memory, so each process of several counts for itself. */
const perName = new RateLimiterMemory({ points: 8, duration: 15 * 60 });
const perAddress = new RateLimiterMemory({ points: 60, duration: 15 * 60 });
/** A classroom shares one address, so joining is limited more loosely, against a million possible codes and names. */
const joins = new RateLimiterMemory({ points: 120, duration: 10 * 60 });

export type Allowed = { allowed: true } | { allowed: false; minutes: number };

async function take(limiter: RateLimiterMemory, key: string): Promise<Allowed> {
  try {
    await limiter.consume(key);
    return { allowed: true };
  } catch (refused) {
    return {
      allowed: false,
      minutes: Math.ceil(((refused as { msBeforeNext?: number }).msBeforeNext ?? 60_000) / 60_000),
    };
  }
}

export async function allowSignIn(name: string, address: string): Promise<Allowed> {
  const byAddress = await take(perAddress, address);
  return byAddress.allowed ? take(perName, name.trim().toLowerCase()) : byAddress;
}

/** Called after a sign-in that succeeded: a teacher who mistyped seven times starts afresh. */
export async function forgetAttempts(name: string): Promise<void> {
  await perName.delete(name.trim().toLowerCase());
}

export function allowJoin(address: string): Promise<Allowed> {
  return take(joins, address);
}
