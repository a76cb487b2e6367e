import { expect, test } from "../fixture";
import { nothingSerious } from "../pages/accessible";
import { Walk } from "./walk";

test("the marks of a class over the term: the lowest left out, a child excused, exported; every step can be undone", async ({
  signedIn,
}) => {
  const page = await signedIn("Ines Halloran", { at: "/results" });
  const walk = new Walk(page, "from results to a child excused from work in the marks table", 3);
  await walk.click(page.getByRole("link", { name: "Marks" }));
  const table = page.getByRole("region", { name: "Marks" });
  const row = table.getByRole("row", { name: /^Mei Lindqvist/ });
  const total = row.getByRole("cell").first();
  const before = await total.innerText();
  expect(before).toMatch(/^\d+\.\d%$/);
  await walk.click(row.getByRole("button", { name: /Clock time, week by week, step 4: 0 of/ }));
  await walk.click(page.getByRole("menuitem", { name: "Excuse from this" }));
  await expect(page.getByText(/Mei Lindqvist is excused from “Clock time/)).toBeVisible();
  await expect(total).not.toHaveText(before);
  walk.done();
  await page.keyboard.press("u");
  await expect(total).toHaveText(before);

  // Without the lowest everybody has as much or more, and her lowest is struck through.
  await page.getByLabel("Left out", { exact: true }).selectOption("the lowest result");
  await expect(row.getByRole("button", { name: /among the lowest: left out/ })).toHaveCount(1);
  await expect(total).not.toHaveText(before);
  await page.getByLabel("Weight of Ferry fares").selectOption("does not count");
  await expect(page.getByText("“Ferry fares” does not count.")).toBeVisible();
  await page.keyboard.press("u");
  await expect(page.getByLabel("Weight of Ferry fares")).toHaveValue("100");
  await nothingSerious(page);

  // Sorted by the total, the highest first.
  await table.getByRole("button", { name: "Total" }).click();
  const totals = await table.getByRole("row").locator("td:first-of-type").allInnerTexts();
  const numbers = totals.filter((text) => text.endsWith("%")).map((text) => Number.parseFloat(text));
  expect(numbers).toEqual([...numbers].sort((one, other) => other - one));

  await page.getByRole("button", { name: "Export" }).click();
  const download = page.waitForEvent("download");
  await page.getByRole("menuitem", { name: "Spreadsheet (XLSX)" }).click();
  expect((await download).suggestedFilename()).toBe("marks.xlsx");

  await page.getByLabel("Left out", { exact: true }).selectOption("no results");
  await expect(row.getByRole("button", { name: /among the lowest/ })).toHaveCount(0);
  await page.keyboard.press("2");
  await expect(page.getByRole("img", { name: /^How 5 Kittiwake did over/ })).toBeVisible();
});

test("a goal is called something else in all work, and back again; one that ended is offered no more", async ({
  signedIn,
}) => {
  const page = await signedIn("Ines Halloran", { at: "/results/marks" });
  await page.getByRole("button", { name: "Goals …" }).click();
  const dialog = page.getByRole("dialog", { name: "Goals" });
  const lines = dialog.getByRole("list", { name: "Goals" }).getByRole("listitem");
  await expect(lines.first()).toBeVisible();
  const name = lines.first().getByRole("textbox");
  const before = await name.inputValue();
  await name.fill("said another way");
  await name.press("Enter");
  await expect(dialog.getByRole("textbox", { name: "Name of said another way" })).toBeVisible();
  await dialog.getByRole("button", { name: "Done" }).click();
  await expect(page.getByLabel("Goal")).toContainText("said another way");
  await page.keyboard.press("u");
  await expect(page.getByLabel("Goal")).not.toContainText("said another way");
  await expect(page.getByLabel("Goal")).toContainText(before);
  await page.getByLabel("Goal").selectOption(before);
  await expect(page).toHaveURL(/goal=/);
  await expect(page.getByRole("region", { name: "Marks" }).getByRole("columnheader").nth(2)).toBeVisible();
});
