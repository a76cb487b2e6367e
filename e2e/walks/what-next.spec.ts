import type { Page } from "@playwright/test";
import { expect, test } from "../fixture";
import { nothingSerious } from "../pages/accessible";
import { ResultsPage } from "../pages/results-page";
import { Walk } from "./walk";

async function openFares(page: Page) {
  await new ResultsPage(page).open("Ferry fares");
}

test("from a finished assignment to the children who missed the same: a step once more, or something else", async ({
  signedIn,
}) => {
  const ines = await signedIn("Ines Halloran");
  await openFares(ines);

  // The largest group, a step once more.
  const again = new Walk(ines, "from a result to a step assigned again to those who missed it", 4);
  await again.key("n");
  const next = ines.getByRole("complementary", { name: "What next" });
  await expect(next.getByRole("heading", { level: 3 }).first()).toContainText(/\d children missed MA\.5\.N\.4/);
  await expect(next).toContainText("Calculate with money");
  await again.key("j");
  await again.key("a");
  await expect(ines.getByRole("status", { name: "In words" })).toContainText(
    /^\d students of 5 Kittiwake get step \d of “Ferry fares” on/,
  );
  await again.key("Control+Enter");
  await expect(ines.getByText("Assigned to 5 Kittiwake.")).toBeVisible();
  again.done();

  // It is known where it came from.
  await openFares(ines);
  await ines.keyboard.press("n");
  await expect(next.getByRole("region", { name: "Since then" })).toContainText(/Ferry fares.*0 handed in/);
  await nothingSerious(ines);

  // Something else for them: Find is filled in, and what is assigned from there goes to them.
  const other = new Walk(ines, "from a result to something else for those who missed it", 4);
  await other.key("f");
  await expect(ines).toHaveURL(/undone=\d+/);
  await expect(ines.getByText(/What you assign goes to these children\./)).toBeVisible();
  await expect(ines.getByRole("region", { name: "What was found" }).getByRole("listitem").first()).toBeVisible();
  await other.key("a");
  await expect(ines.getByRole("status", { name: "In words" })).toContainText(/^\d students of 5 Kittiwake get “/);
  await other.key("Control+Enter");
  await expect(ines.getByText("Assigned to 5 Kittiwake.")).toBeVisible();
  other.done();
  await expect(ines.getByText(/What you assign goes to these children\./)).toBeHidden();
});

test("one child: every answer as it was given, from child to child by keys; the table sorted, a group by itself", async ({
  signedIn,
}) => {
  const ines = await signedIn("Ines Halloran");
  await openFares(ines);
  const table = ines.getByRole("table", { name: "Students by questions" });
  await table.getByRole("button", { name: "Marks", exact: true }).click();
  await expect(table.getByRole("rowheader").first()).toHaveText("Mei Lindqvist");
  await expect(table.getByRole("columnheader", { name: "Marks", exact: true })).toHaveAttribute(
    "aria-sort",
    "ascending",
  );
  await ines.getByRole("radio", { name: "Red boats" }).click();
  await expect(table.getByRole("rowheader")).toHaveCount(8);
  await expect(table).toContainText("of 6");
  const second = await table.getByRole("rowheader").nth(1).innerText();
  await table.getByRole("button", { name: "Mei Lindqvist", exact: true }).click();
  const mei = ines.getByRole("table", { name: /Mei Lindqvist, try 1/ });
  await expect(mei.getByRole("row", { name: /For which family/ })).toContainText("Right: 2 grown-ups and 1 child");
  await ines.keyboard.press("j");
  await expect(ines.getByRole("table", { name: `${second}, try 1` })).toBeVisible();
  await nothingSerious(ines);
  await ines.goBack();
  await expect(table).toBeVisible();
});
