// npm run mutate [-- room …]: changes the code of core in small ways, one at a time, and sees whether a test notices.
// Without rooms: all of them, which takes half a day on two cores. `--sample 200` changes about as many places in each room, picked by chance
// but always the same ones for a `--seed`: minutes instead of an hour, and the share is within six in a hundred of the whole. After tests were
// written for what one sample found, only another says how good they are. The report is in reports/.
import { spawnSync } from "node:child_process";
import { readdirSync, readFileSync } from "node:fs";

/** The rooms whose computation must be watched over so closely, and how much of it at least. */
const rooms = {
  scoring: "src/core/scoring",
  plan: "src/core/plan",
  assign: "src/core/assign",
  fit: "src/core/fit",
  merge: "src/core/resource/merge",
  find: "src/core/find",
  results: "src/core/results",
  live: "src/core/live",
};

const words = process.argv.slice(2);
/** The number after an option, which is taken out. */
function numberAfter(option) {
  const at = words.indexOf(option);
  return at < 0 ? null : Number(words.splice(at, 2)[1]);
}
const sample = numberAfter("--sample");
const seed = numberAfter("--seed") ?? 1;
if ((sample !== null && !(sample >= 1)) || !Number.isInteger(seed)) {
  console.error("How many places, and which? --sample 200 --seed 1");
  process.exit(2);
}
const asked = words;
const unknown = asked.filter((name) => !(name.split("/")[0] in rooms));
if (unknown.length > 0) {
  console.error(`There is no room ${unknown.join(", ")}. There are: ${Object.keys(rooms).join(", ")}.`);
  process.exit(2);
}

/** "assign" is the whole room, "assign/door" one file of it. */
function patternOf(name) {
  const [room, file] = name.split("/");
  if (file) return `${rooms[room]}/${file}.ts`;
  return room === "merge" ? `${rooms[room]}.ts` : `${rooms[room]}/**/*.ts`;
}

/** Some lines of a room's files, about as many as there are changes to make: a line with code has one or two. */
function linesOf(name, most) {
  const pattern = patternOf(name);
  const files = pattern.endsWith("/**/*.ts")
    ? readdirSync(rooms[name], { recursive: true }).map((file) => `${rooms[name]}/${file}`)
    : [pattern];
  const lines = files
    .filter((file) => file.endsWith(".ts") && !/\.test\.ts$|testing/.test(file))
    .sort()
    .flatMap((file) =>
      readFileSync(file, "utf8")
        .split("\n")
        .flatMap((text, at) =>
          /^\s*(?:import|export type|interface|\*|\/[/*]|[\])}]|$)/.test(text) ? [] : [`${file}:${at + 1}-${at + 1}`],
        ),
    );
  // Always the same chance (a linear congruential generator; the constants of "Numerical Recipes").
  let chance = seed * 7919;
  const next = () => (chance = (chance * 1_664_525 + 1_013_904_223) % 2 ** 32) / 2 ** 32;
  return lines.filter(() => next() < most / 1.3 / lines.length);
}

let worst = 0;
for (const name of asked.length > 0 ? asked : Object.keys(rooms)) {
  console.log(`\n${name}`);
  const where = sample === null ? `${patternOf(name)},!src/**/*.test.ts` : linesOf(name, sample).join(",");
  if (where === "") {
    console.log("No line of it is in this sample.");
    continue;
  }
  const { status } = spawnSync("npx", ["stryker", "run", "stryker.config.mjs", "--mutate", where], {
    stdio: "inherit",
    env: {
      ...process.env,
      NODE_OPTIONS: "--experimental-vm-modules --no-warnings",
      MUTATED_ROOM: name.split("/")[0],
      MUTATED_TESTS: rooms[name.split("/")[0]],
    },
  });
  worst = Math.max(worst, status ?? 1);
}
process.exit(worst);
