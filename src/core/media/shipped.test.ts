import { readdirSync, readFileSync } from "node:fs";
import { shippedSizes } from "./shipped";

test("every drawing that ships has the size its file says, so that nothing moves when it comes", () => {
  const found = readdirSync("public/drawings").map((file) => {
    const [, width, height] = /viewBox="0 0 (\d+) (\d+)"/.exec(readFileSync(`public/drawings/${file}`, "utf8"))!;
    return [`drawing:${file.replace(".svg", "")}`, [Number(width), Number(height)]];
  });
  expect(shippedSizes).toEqual(Object.fromEntries(found));
});
