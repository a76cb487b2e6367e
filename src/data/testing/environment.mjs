import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import path from "node:path";
import { TestEnvironment } from "jest-environment-node";

/**
 * The embedded engine, compiled once for all test files of a process and never used itself: as long as it is kept, the engine that each
 * file starts shares its machine code, and need not become quick again.
 */
const entry = createRequire(import.meta.url).resolve("@electric-sql/pglite");
const kept = new WebAssembly.Module(readFileSync(path.join(path.dirname(entry), "pglite.wasm")));

export default class EngineKept extends TestEnvironment {
  engine = kept;
}
