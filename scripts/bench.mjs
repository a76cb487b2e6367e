// npm run bench -- NAME [--n 50000] [--json]: runs bench/NAME.ts, which prints a table.
import { spawnSync } from "node:child_process";
import { readdirSync, existsSync } from "node:fs";
import path from "node:path";
import { installPackages, root } from "./installed.mjs";

const [name, ...rest] = process.argv.slice(2);
const known = readdirSync(path.join(root, "bench"))
  .filter((file) => file.endsWith(".bench.ts"))
  .map((file) => file.replace(".bench.ts", ""));
if (!name || !existsSync(path.join(root, "bench", `${name}.bench.ts`))) {
  console.error(`Which benchmark? npm run bench -- ${known.join(" | ")}`);
  process.exit(1);
}
installPackages();
const { tsxProgram } = await import("./built.mjs");
const { status } = spawnSync(process.execPath, [tsxProgram, path.join("bench", `${name}.bench.ts`), ...rest], {
  cwd: root,
  stdio: "inherit",
});
process.exit(status ?? 1);
