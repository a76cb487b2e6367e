import { expect, lookFor, test } from "./fixture";

const line = "Assign in one line";

test("keys pressed at once are kept: the line is typed before its panel has everything, and Enter before the last look", async ({
  signedIn,
}) => {
  const page = await signedIn("Judit Varga");
  await lookFor(page, "lighthouse signals");
  await page.keyboard.press("a");
  await page.keyboard.type("Adan Rey now");
  await page.keyboard.press("Enter");
  const waits = page.getByText("Have a look first. Press Enter again to assign.");
  const assigned = page.getByText("Assigned to 7 Cormorant.");
  await expect(waits.or(assigned)).toBeVisible();
  if (await waits.isVisible()) await page.keyboard.press("Enter");
  await expect(assigned).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
});

test("the line and the form say the same, whichever is changed; what is not understood stays marked", async ({
  signedIn,
}) => {
  const page = await signedIn("Ines Halloran");
  await lookFor(page, "reading a tide table");
  await page.keyboard.press("a");
  const panel = page.getByRole("region", { name: "Assign" });
  const typed = panel.getByLabel(line);
  await typed.fill("puffin except Bo, now, soonish");
  await expect(panel.getByRole("checkbox", { name: "4/5 Puffin" })).toBeChecked();
  await expect(panel.getByRole("radio", { name: "now" })).toBeChecked();
  await expect(panel.getByText("Nobody in 4/5 Puffin is called Bo. Bo Tideman is in 5 Kittiwake.")).toBeVisible();
  await expect(panel.getByText("“soonish” is not understood.")).toBeVisible();

  // By hand: the line follows, and what it could not read goes on standing in it. What is found moves nothing meanwhile.
  await expect(panel.getByRole("status", { name: "In words" })).toHaveAttribute("aria-busy", "false");
  await panel.getByRole("button", { name: "How often" }).click();
  await panel.getByRole("radio", { name: "twice" }).click();
  await expect(typed).toHaveValue(/4\/5 Puffin, now, 2 tries, except Bo, soonish/);

  // Enter does not pass over what it says, silently.
  await typed.press("Enter");
  await expect(panel.getByText(/Press Ctrl\+Enter to assign without it/)).toBeVisible();

  // Tab goes to the first thing that may have been meant.
  await typed.press("Tab");
  await expect(panel.getByRole("button", { name: /^Benno Lasz/ })).toBeFocused();
  await page.keyboard.press("Enter");
  await expect(typed).toHaveValue(/except Benno Lasz/);
  await expect(panel.getByRole("status", { name: "In words" })).toContainText("23 students of 4/5 Puffin");
  await typed.fill("");
  await expect(panel.getByRole("radio", { name: "at a lesson" })).toBeChecked();
});
