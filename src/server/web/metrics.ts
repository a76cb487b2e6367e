import { collectDefaultMetrics, Gauge, Histogram, Registry } from "prom-client";
import { log } from "./log";

// One for the whole process, however many bundles of this module there are.
const holder = globalThis as { goldenSatchelMetrics?: ReturnType<typeof make> };

const STEPS_S = [0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 10];

function make() {
  const registry = new Registry();
  collectDefaultMetrics({ register: registry });
  return {
    registry,
    acts: new Histogram({
      ...{ name: "satchel_act_seconds", help: "How long acts take, by name and what came of them" },
      ...{ labelNames: ["act", "outcome"] as const, buckets: STEPS_S, registers: [registry] },
    }),
    statements: new Histogram({
      ...{ name: "satchel_statement_seconds", help: "How long statements of the database take" },
      ...{ buckets: STEPS_S, registers: [registry] },
    }),
    open: new Gauge({
      ...{ name: "satchel_live_streams", help: "Live updates that are open" },
      registers: [registry],
    }),
  };
}

export const metrics = () => (holder.goldenSatchelMetrics ??= make());

/** What came of an act: "ok", "refused" (it may not, or cannot be), "failed" (a fault of ours). */
export type ActOutcome = "ok" | "refused" | "failed";

export function noteAct(act: string, outcome: ActOutcome, ms: number): void {
  metrics().acts.observe({ act, outcome }, ms / 1000);
}

const SLOW_MS = Number(process.env.SLOW_STATEMENT_MS ?? 1000);
const MOST_SAID = 300;

/** Counts a statement, and says one that took long: its words, never what it was asked about. */
export function noteStatement(text: string, ms: number): void {
  metrics().statements.observe(ms / 1000);
  if (ms >= SLOW_MS)
    log.warn({ ms: Math.round(ms), statement: text.replace(/\s+/g, " ").slice(0, MOST_SAID) }, "a slow statement");
}
