import { execFileSync } from "node:child_process";
import type { Page } from "@playwright/test";
import { expect, test } from "../fixture";
import { ResultsPage } from "../pages/results-page";
import { Walk } from "./walk";

/** What a downloaded PDF says, read by poppler. */
async function saved(page: Page, press: () => Promise<void>) {
  const download = page.waitForEvent("download");
  await press();
  const file = await (await download).path();
  return {
    name: (await download).suggestedFilename(),
    facts: execFileSync("pdfinfo", [file], { encoding: "utf8" }),
    text: execFileSync("pdftotext", [file, "-"], { encoding: "utf8" }),
  };
}
const pagesOf = (facts: string) => Number(/Pages: +(\d+)/.exec(facts)![1]);

test("letters to all families of a class as one PDF, each in its language; what is left out is not in it", async ({
  signedIn,
}) => {
  const page = await signedIn("Ines Halloran", { at: "/results/student" });
  const walk = new Walk(page, "from a student to the letters of all of the class as a PDF", 2);
  await walk.click(page.getByRole("link", { name: /^All \d+/ }));
  await expect(page.getByRole("heading", { name: /^Letters about results/ })).toBeVisible();
  const letters = await saved(page, () => walk.click(page.getByRole("button", { name: "PDF" })));
  walk.done();
  expect(letters.name).toBe("letters.pdf");
  expect(letters.facts).toMatch(/Tagged: +yes/);
  expect(pagesOf(letters.facts)).toBeGreaterThanOrEqual(22);
  expect(letters.text).toContain("5 Kittiwake");
  expect(letters.text).not.toContain("Ferry fares:");
  await page.getByRole("checkbox", { name: "each result" }).click();
  const more = await saved(page, () => page.getByRole("button", { name: "PDF" }).click());
  expect(more.text).toContain("Ferry fares:");
  await page.getByLabel("To do at home").selectOption({ label: "Ferry fares" });
  const home = await saved(page, () => page.getByRole("button", { name: "PDF" }).click());
  expect(home.text).toMatch(/To do at home together: “Ferry fares”, about \d+ minutes/);
  expect(home.text).toContain("Para hacer juntos en casa");
});

const exported = (page: Page, item: string) =>
  saved(page, async () => {
    await page.getByRole("button", { name: "Export" }).click();
    await page.getByRole("menuitem", { name: item, exact: true }).click();
  });

test("results and questions are PDFs too; names can be left out", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  await new ResultsPage(page).open("Ferry fares");
  expect((await exported(page, "PDF: students")).text).toContain("Sunniva Dale");
  const nameless = await exported(page, "PDF: students, without names");
  expect(nameless.text).not.toContain("Sunniva");
  expect(nameless.text).toContain("Student 1");
  expect((await exported(page, "PDF: questions")).text).toContain("tells you little");
});

test("marks, coverage and a student are PDFs as well, for those who teach the class", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran", { at: "/results/marks" });
  const marks = await exported(page, "PDF without names");
  expect(marks.text).toContain("Marks of 5 Kittiwake");
  expect(marks.text).not.toContain("Sunniva");
  expect(marks.facts).toMatch(/Page size: +841.89 x 595.28/);

  await page.goto("/results/coverage");
  const coverage = await saved(page, () => page.getByRole("button", { name: "PDF" }).click());
  expect(coverage.text).toMatch(/MA\.5\.\w/);

  await page.goto("/results/student");
  const who = page.getByLabel("Student", { exact: true });
  const mei = await who.getByRole("option", { name: "Mei Lindqvist" }).getAttribute("value");
  await who.selectOption(mei);
  await expect(page).toHaveURL(new RegExp(`student=${mei}`));
  await expect(who).toHaveValue(mei!);
  const child = await saved(page, () => page.getByRole("button", { name: "PDF" }).click());
  expect(child.text).toContain("Mei Lindqvist");
  expect(child.text).toContain("Level of the last three results");
  expect(child.text).not.toContain("Sunniva");

  // Others' classes are not there.
  const judit = await signedIn("Judit Varga");
  for (const address of [
    "/results/marks/1/pdf",
    "/results/student/1/1/pdf",
    "/letters/1/results/pdf",
    "/results/8/pdf",
  ])
    expect([address, (await judit.request.get(address)).status()]).toEqual([address, 404]);
});
