import { spawnSync } from "node:child_process";
import { printTable, readOptions } from "./table";

/**
 * The walks of e2e/walks, each a piece of a teacher's work: how many presses it takes, how many it may take, and how long it
 * took here, by machine.
 */
const { json } = readOptions({ n: [1] });
const { stdout, status } = spawnSync("npx", ["playwright", "test", "e2e/walks", "--reporter=list", "--workers=1"], {
  encoding: "utf8",
  maxBuffer: 64 << 20,
});
const rows = stdout.split("\n").filter((line) => line.startsWith('{"walk"'));
printTable(
  rows.map((line) => JSON.parse(line) as Record<string, string | number>),
  json,
);
if (status !== 0) {
  console.error(stdout);
  process.exit(1);
}
