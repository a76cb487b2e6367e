import { RateLimiterMemory } from "rate-limiter-flexible";
import { countOf, countOneLess, countOneMore, forgetCount } from "@/data/office/try-counts";
import type { Db } from "@/data/engine/db";
import { database } from "./database";
import { sha256 } from "./secrets";

/** How often something was tried within a while, by key. */
export interface Tries {
  /** How many are all right. */
  readonly points: number;
  /** Counts one more; how many there are now, and in how many milliseconds they are forgotten. */
  add(key: string): Promise<{ count: number; ms: number }>;
  /** Takes one off again. */
  less(key: string): Promise<void>;
  see(key: string): Promise<{ count: number; ms: number } | null>;
  forget(key: string): Promise<void>;
}

interface Limit {
  points: number;
  /** Seconds. */
  duration: number;
}

/** Counted in this process. */
export function triesHere({ points, duration }: Limit): Tries {
  const limiter = new RateLimiterMemory({ points, duration });
  const said = ({ consumedPoints, msBeforeNext }: { consumedPoints: number; msBeforeNext: number }) => ({
    count: consumedPoints,
    ms: msBeforeNext,
  });
  return {
    points,
    add: async (key) => said(await limiter.penalty(key)),
    less: async (key) => void (await limiter.reward(key)),
    see: async (key) => {
      const found = await limiter.get(key);
      return found && said(found);
    },
    forget: async (key) => void (await limiter.delete(key)),
  };
}

/** Counted in the database, by all processes together. `name` keeps one limit apart from another. */
export function triesTogether(name: string, { points, duration }: Limit, db: () => Promise<Db>): Tries {
  const hash = (key: string) => sha256(`${name} ${key}`);
  const said = ({ points: count, until }: { points: number; until: Date }, now: Date) => ({
    count,
    ms: until.getTime() - now.getTime(),
  });
  return {
    points,
    add: async (key) => {
      const now = new Date();
      const until = new Date(now.getTime() + duration * 1000);
      return said(await countOneMore(await db(), hash(key), now, until), now);
    },
    less: async (key) => countOneLess(await db(), hash(key)),
    see: async (key) => {
      const now = new Date();
      const found = await countOf(await db(), hash(key), now);
      return found && said(found, now);
    },
    forget: async (key) => forgetCount(await db(), hash(key)),
  };
}

/** With a PostgreSQL server there may be several processes: they count together. The embedded database has one. */
export const tries = (name: string, limit: Limit): Tries =>
  process.env.DATABASE_URL ? triesTogether(name, limit, database) : triesHere(limit);
