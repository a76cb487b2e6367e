import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import { spawnSync } from "node:child_process";
import { readFileSync } from "node:fs";
import path from "node:path";
import { expect, test } from "../fixture";
import { nothingAtAll, nothingSerious } from "../pages/accessible";
import { tsxProgram } from "../../scripts/built.mjs";
import { Walk } from "./walk";

const slides = path.join(import.meta.dirname, "../../demo/files/tides.pptx");

/** The same slides with another word on one of them. */
function changedSlides(): Buffer {
  const files = unzipSync(readFileSync(slides));
  const changed = Object.fromEntries(
    Object.entries(files).map(([name, bytes]) => [
      name,
      /slides\/slide\d+\.xml$/.test(name)
        ? strToU8(strFromU8(bytes).replace("Which ferry can cross", "Which boat can cross"))
        : bytes,
    ]),
  );
  return Buffer.from(zipSync(changed));
}

test("her slides become a lesson: she sees page by page what comes in, and says what becomes of it", async ({
  signedIn,
  expectTrouble,
}) => {
  expectTrouble(/422/);
  const bettina = await signedIn("Bettina Rask", { at: "/satchel" });
  const walk = new Walk(bettina, "from her slides to a lesson", 4);
  await walk.click(bettina.getByRole("link", { name: "Bring in", exact: true }));
  await bettina.waitForURL(/bring-in/);
  const choose = bettina.getByLabel("A file", { exact: false });
  await choose.setInputFiles({ name: "page.pdf", mimeType: "application/pdf", buffer: Buffer.from("%PDF-1.7") });
  await expect(bettina.getByRole("alert").filter({ hasText: "Nothing was brought in" })).toBeVisible();
  walk.presses += 1;
  await choose.setInputFiles(slides);
  await expect(bettina.getByRole("heading", { name: "Bring in “When is high water?”" })).toBeVisible();
  const pages = bettina.getByRole("region", { name: "Pages" });
  await expect(pages.getByRole("listitem")).toHaveCount(4);
  const page = bettina.getByRole("article", { name: "Page 1" });
  await expect(page).toContainText("Mon · 4:12 · 10:20");
  await expect(page).toContainText("Many count 17 − 5");
  await nothingSerious(bettina);
  // By the keys: on to the next page, and the last one is left out.
  await bettina.getByRole("heading", { name: /^Bring in/ }).click();
  for (const key of ["j", "j", "j", "x"]) await bettina.keyboard.press(key);
  await expect(pages.getByLabel("Page 4 becomes")).toHaveValue("left out");
  await expect(bettina.getByRole("article", { name: "Page 4" })).toContainText("Not brought in: A chart or a diagram");
  await pages.getByLabel("Page 3 becomes").selectOption("my notes");
  await walk.click(bettina.getByRole("button", { name: "Make 2 steps" }));
  await bettina.waitForURL(/adapt\/\d+$/);
  walk.done();
  await expect(bettina.getByLabel("Title", { exact: true })).toHaveValue("When is high water?");
  await expect(bettina.getByRole("button", { name: /^(?!Move).*Which ferry can cross the bar/ })).toBeVisible();
  // The question has its choices, and the right one.
  await bettina.getByRole("button", { name: /^(?!Move).*Which ferry can cross the bar/ }).click();
  await expect(bettina.getByRole("textbox", { name: "Option 2" })).toHaveValue("the 13:05");

  // The slides changed since: brought in again, what changed is proposed, and what she changed herself stays hers.
  await bettina.getByLabel("Title", { exact: true }).fill("High water");
  await expect(bettina.getByText(/saved \d/)).toBeVisible();
  await bettina.goto("/satchel/bring-in");
  await choose.setInputFiles({ name: "tides.pptx", mimeType: "application/zip", buffer: changedSlides() });
  await expect(pages.getByLabel("Page 3 becomes")).toHaveValue("my notes");
  const again = new Walk(bettina, "what changed in her slides", 2);
  await again.click(bettina.getByRole("button", { name: "See what changed in “High water”" }));
  await expect(bettina.getByRole("heading", { name: "New in “tides.pptx”" })).toBeVisible();
  await again.click(bettina.getByRole("button", { name: "Use everything that leaves mine unchanged" }));
  again.done();
  await expect(bettina.getByText("in yours already")).toBeVisible();
  await expect(bettina.getByRole("button", { name: /^(?!Move).*Which boat can cross the bar/ })).toBeVisible();
  await expect(bettina.getByLabel("Title", { exact: true })).toHaveValue("High water");
  await bettina.getByRole("button", { name: "Done", exact: true }).click();
  await expect(bettina.getByRole("heading", { name: "New in “tides.pptx”" })).toBeHidden();
});

test("a PDF is seen as it looks, page by page, beside what comes in of it", async ({ signedIn }) => {
  const file = test.info().outputPath("Harbour.pdf");
  expect(spawnSync(process.execPath, [tsxProgram, "bench/formats/long-pdf.ts", "2", file]).status).toBe(0);
  const bettina = await signedIn("Bettina Rask", { at: "/satchel/bring-in" });
  await bettina.getByLabel("A file", { exact: false }).setInputFiles(file);
  const look = (nth: number) => bettina.getByRole("img", { name: `Page ${nth} as it looks in the file` });
  /** How many points of it are not white: letters. */
  const ink = (nth: number) =>
    look(nth).evaluate((canvas: HTMLCanvasElement) => {
      const copy = new OffscreenCanvas(canvas.width, canvas.height).getContext("2d", { willReadFrequently: true })!;
      copy.drawImage(canvas, 0, 0);
      const { data } = copy.getImageData(0, 0, canvas.width, canvas.height);
      let dark = 0;
      for (let at = 0; at < data.length; at += 4) if (data[at]! < 128 && data[at + 3]! > 0) dark += 1;
      return dark;
    });
  await expect.poll(() => ink(1)).toBeGreaterThan(200);
  await expect(bettina.getByRole("article", { name: "Page 1" })).toBeVisible();
  await bettina.getByRole("heading", { name: /^Bring in/ }).click();
  await bettina.keyboard.press("j");
  await expect.poll(() => ink(2)).toBeGreaterThan(200);
  await nothingAtAll(bettina);
});
