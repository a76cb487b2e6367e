// npm run mutate [-- room …]: changes the code of core in small ways, one at a time, and sees whether a test notices.
// Without rooms: all of them, which takes an hour or two on two cores. The report is in reports/.
import { spawnSync } from "node:child_process";

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

const asked = process.argv.slice(2);
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

let worst = 0;
for (const name of asked.length > 0 ? asked : Object.keys(rooms)) {
  console.log(`\n${name}`);
  const { status } = spawnSync(
    "npx",
    ["stryker", "run", "stryker.config.mjs", "--mutate", `${patternOf(name)},!src/**/*.test.ts`],
    {
      stdio: "inherit",
      env: {
        ...process.env,
        NODE_OPTIONS: "--experimental-vm-modules --no-warnings",
        MUTATED_ROOM: name.split("/")[0],
        MUTATED_TESTS: rooms[name.split("/")[0]],
      },
    },
  );
  worst = Math.max(worst, status ?? 1);
}
process.exit(worst);
