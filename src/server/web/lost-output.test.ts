import { spawn } from "node:child_process";
import { once } from "node:events";
import path from "node:path";

/** Prints what it is told, and ends with 7 when it is told to end. */
const program = `
  import { surviveLostOutput } from "./src/server/web/lost-output.ts";
  if (process.argv.at(-1) === "survive") surviveLostOutput();
  process.on("message", (word) => (word === "end" ? process.exit(7) : process.stderr.write(word)));
  process.send("ready");
`;

async function printedToNobody(how: "survive" | "as it is"): Promise<number | null> {
  const root = path.join(__dirname, "../../..");
  const child = spawn(process.execPath, ["--import", "tsx", "--input-type=module", "-e", program, "--", how], {
    cwd: root,
    stdio: ["ignore", "ignore", "pipe", "ipc"],
  });
  const gone = once(child, "exit");
  await once(child, "message");
  child.stderr!.destroy();
  for (const word of ["one", "two", "end"]) {
    // It may have ended over the last one.
    if (child.connected) child.send(word, () => undefined);
    await new Promise((next) => setTimeout(next, 100));
  }
  const stuck = setTimeout(() => child.kill("SIGKILL"), 3_000);
  const [code] = (await gone) as [number | null];
  clearTimeout(stuck);
  return code;
}

test("a server whose log nobody reads any more goes on, and ends when told", async () => {
  expect(await printedToNobody("survive")).toBe(7);
}, 30_000);

test("without that, a line that cannot be printed is an error nobody catches", async () => {
  expect(await printedToNobody("as it is")).toBe(1);
}, 30_000);
