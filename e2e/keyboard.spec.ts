import { expect, lines, test } from "./fixture";

test("the whole round with the keyboard alone", async ({ page }) => {
  await page.goto("/sign-in");
  await page.getByLabel("E-mail").focus();
  await page.keyboard.type("lucia.quispe@skerry.example");
  await page.keyboard.press("Tab");
  await page.keyboard.type("kelp-and-tide");
  await page.keyboard.press("Enter");
  await page.waitForURL(/find/);

  await page.keyboard.press("/");
  await page.keyboard.type("map isles");
  await expect(lines(page).first()).toContainText("Finding the way on the map of the isles");
  // On to the grade: the list opens with Enter, filters, and chooses.
  await page.keyboard.press("Tab");
  await expect(page.getByRole("button", { name: /^Grade:/ })).toBeFocused();
  await page.keyboard.press("Enter");
  await page.keyboard.type("4");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Escape");
  await expect(page).toHaveURL(/grades=4/);
  await expect(page.getByRole("button", { name: "Grade: grade 4" })).toBeFocused();

  await page.keyboard.press("j");
  await page.keyboard.press("k");
  await expect(lines(page).first().getByRole("button")).toHaveAttribute("aria-current", "true");
  await page.keyboard.press("ArrowRight");
  await expect(page).toHaveURL(/step=2/);
  await expect(page.getByRole("button", { name: /Which way/ })).toHaveAttribute("aria-current", "step");
  await page.keyboard.press("p");
  await expect(page.getByRole("button", { name: "In my satchel" })).toBeVisible();

  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Keys" })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("dialog")).toHaveCount(0);

  await page.keyboard.press("e");
  await expect(page.getByRole("button", { name: "Make my copy" })).toBeFocused();
  await page.keyboard.press("Enter");
  await page.waitForURL(/adapt/);
  await page.getByLabel("Title", { exact: true }).focus();
  await page.keyboard.type("!");
  await expect(page.getByText(/saved \d/)).toBeVisible();

  // A menu begins at its first item, the first time as every other, and gives the focus back.
  const more = page.getByRole("button", { name: "More for step 1" });
  await more.focus();
  for (const key of ["Enter", "ArrowDown"]) {
    await page.keyboard.press(key);
    await expect(page.getByRole("menuitem", { name: "A step before it" })).toBeFocused();
    await page.keyboard.press("Escape");
    await expect(more).toBeFocused();
  }
});

test("a child does every kind of question without a mouse", async ({ signedIn }) => {
  const page = await signedIn("Colm Tarrant");
  await page
    .getByRole("link", { name: /Boat building|Speed at sea/ })
    .first()
    .focus();
  await page.keyboard.press("Enter");
  await page.waitForURL(/student\/\d+/);
  await page.getByRole("button", { name: /^Step 1/ }).focus();
  await page.keyboard.press("Enter");
  const number = page.getByRole("textbox").first();
  await number.focus();
  await expect(number).toBeFocused();
});
