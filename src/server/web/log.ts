import pino from "pino";

/** Structured lines on standard output. Never a name, an address, a search or an answer: ids and kinds only. */
export const log = pino({ level: process.env.LOG_LEVEL ?? "warn", base: undefined });
