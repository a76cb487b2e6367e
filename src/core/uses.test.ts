import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import * as samples from "./testing/samples";

/** "`call` gives `value`" in a comment: what a function does, shown once beside it. */
interface Use {
  call: string;
  value: string;
}

const root = path.resolve(__dirname, "..");
const files = ["core", "formats"].flatMap((floor) =>
  readdirSync(path.join(root, floor), { recursive: true, encoding: "utf8" })
    .filter((file) => file.endsWith(".ts") && !/\.test\.ts$|testing\//.test(file))
    .map((file) => path.join(floor, file)),
);

function usesIn(source: string): Use[] {
  const comments = [...source.matchAll(/\/\*\*([\s\S]*?)\*\//g)].map(([, text]) => text!.replace(/\n\s*\* ?/g, " "));
  return comments.flatMap((text) =>
    [...text.matchAll(/`([^`]+)` gives `([^`]+)`/g)].map(([, call, value]) => ({ call: call!, value: value! })),
  );
}

/** What a module's own functions make of an expression, in which `lesson`, `question`, `need`, `isles` and `daily` are the samples of core/testing. */
async function worth(file: string, expression: string): Promise<unknown> {
  const found: Record<string, unknown> = { ...samples, ...((await import(path.join(root, file))) as object) };
  const names = Object.keys(found).filter((name) => expression.includes(name));
  // What is asked stands in our own comments.
  return new Function(...names, `return (${expression})`)(...names.map((name) => found[name])) as unknown;
}

const shown = files.flatMap((file) =>
  usesIn(readFileSync(path.join(root, file), "utf8")).map((use) => ({ file, use })),
);

test("comments show uses", () => expect(shown.length).toBeGreaterThan(100));

test.each(shown)("$file: $use.call gives $use.value", async ({ file, use }) => {
  expect(await worth(file, use.call)).toEqual(await worth(file, use.value));
});
