import { expect, test } from "./fixture";
import { nothingSerious } from "./pages/accessible";

test("the list is narrowed by words, student and state, kept in the address, and many are changed at once", async ({
  signedIn,
}) => {
  const page = await signedIn("Ines Halloran", { at: "/plan?view=list" });
  const rows = page.getByRole("listitem").filter({ has: page.getByRole("checkbox") });
  const all = await rows.count();
  expect(all).toBeGreaterThan(5);
  await page.getByLabel("Words in the work").fill("harbour dep");
  await expect(rows).toHaveCount(1);
  await expect(page).toHaveURL(/words=harbour/);
  await page.reload();
  await expect(rows).toHaveCount(1);
  await page.getByRole("button", { name: "Show everything" }).click();
  await expect(rows).toHaveCount(all);
  await page.getByLabel("Student").selectOption("Bo Tideman");
  await page.getByLabel("State").selectOption("scheduled");
  await expect(page.getByRole("heading", { name: /^Open/ })).toHaveCount(0);
  await expect(page).toHaveURL(/student=\d+.*state=scheduled|state=scheduled.*student=\d+/);
  await page.getByRole("button", { name: "Tick all" }).click();
  const bar = page.getByRole("toolbar", { name: "With what is ticked" });
  await nothingSerious(page);
  await bar.getByRole("button", { name: "Tries, checking, goals" }).click();
  const dialog = page.getByRole("dialog", { name: /^How these \d+ are done/ });
  await dialog.getByLabel("Checked").selectOption("never");
  await dialog.getByLabel("Add a goal").fill("harbour sums");
  await expect(dialog.getByRole("status", { name: "What changes" })).toContainText("Nobody has begun");
  await dialog.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText(/^\d+ changed\.$/)).toBeVisible();
  await page.getByLabel("Goal").selectOption("harbour sums");
  await expect(rows.first()).toBeVisible();
  await page.keyboard.press("u");
  await expect(page.getByText("Everything is as it was.")).toBeVisible();
  await expect(page.getByRole("heading", { name: "Nothing matches" })).toBeVisible();
});

test("a crowded day names the children, and one press finds a day that is not", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran", { at: "/plan?weeks=18" });
  await page
    .getByRole("button", { name: /have 3 things due or more/ })
    .first()
    .click();
  const dialog = page.getByRole("dialog", { name: /^Too much due on/ });
  const children = dialog.getByRole("list", { name: "Children" }).getByRole("listitem");
  await expect(children.first()).toContainText(/[A-Z]\w+ [A-Z]\w+/);
  const ways = dialog.getByRole("list", { name: "Work due then" }).getByRole("button");
  // Other journeys assign as well: what is moved is known by its name.
  const first = (await ways.first().getAttribute("aria-label"))!;
  await ways.first().click();
  await expect(page.getByText(/” is due .* now\./)).toBeVisible();
  await expect(dialog.getByRole("button", { name: first, exact: true })).toHaveCount(0);
  await dialog.getByRole("button", { name: "Done" }).click();
  await expect(dialog).toBeHidden();
  await page.keyboard.press("u");
  await expect(page.getByText(/Everything is (where|as) it was\./)).toBeVisible();
});
