import { expect, test } from "./fixture";
import { nothingSerious } from "./pages/accessible";

const title = "Harbour depth and draught";

test("tries, checking and days are changed after it went out: said first, saved, and undone with u", async ({
  signedIn,
}) => {
  const page = await signedIn("Ines Halloran", { at: "/plan" });
  await page
    .getByRole("button", { name: new RegExp(title) })
    .first()
    .click();
  const panel = page.getByRole("complementary", { name: "Selected work" });
  await panel.getByRole("button", { name: "Tries, checking, goals" }).click();
  const dialog = page.getByRole("dialog", { name: `How “${title}” is done` });
  const checking = dialog.getByRole("radiogroup", { name: "Checked" });
  await expect(checking).toBeVisible();
  const was = await checking.getByRole("radio", { checked: true }).innerText();
  await checking.getByRole("radio", { name: "never" }).click();
  await dialog.getByRole("radio", { name: "only on …" }).click();
  // Any day of school, months ahead: the next month has days to press too.
  await dialog.getByRole("button", { name: /next month/i }).click();
  await dialog.getByRole("gridcell").getByRole("button", { disabled: false }).first().click();
  await expect(dialog.getByText("Open on one day")).toBeVisible();
  await expect(dialog.getByRole("status", { name: "What changes" })).toContainText("Nobody has begun");
  await nothingSerious(page);
  await dialog.getByRole("button", { name: "Save" }).click();
  await expect(dialog).toBeHidden();
  await expect(page.getByText("Changed.")).toBeVisible();
  await page.keyboard.press("u");
  await expect(page.getByText("Everything is as it was.")).toBeVisible();
  await panel.getByRole("button", { name: "Tries, checking, goals" }).click();
  await expect(checking.getByRole("radio", { checked: true })).toHaveText(was);
  await expect(dialog.getByRole("radio", { name: "every day" })).toBeChecked();
});

test("one student gets another version with more time; what is answered is told of, and comes back undone", async ({
  signedIn,
}) => {
  const page = await signedIn("Ines Halloran", { at: "/plan" });
  await page
    .getByRole("button", { name: /^Reading a tide table/ })
    .first()
    .click();
  const panel = page.getByRole("complementary", { name: "Selected work" });
  await panel.getByRole("button", { name: "Students" }).click();
  const who = page.getByRole("dialog");
  await who.getByRole("button", { name: "Change what Bo Tideman gets" }).click();
  const form = who.getByRole("form", { name: "What Bo Tideman gets" });
  const version = form.getByLabel("Version");
  await version.selectOption(await version.locator("option").nth(1).innerText());
  await form.getByLabel("Time").selectOption("one and a half times as long");
  await expect(form.getByRole("status")).toContainText("Bo Tideman");
  await form.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Changed for Bo Tideman.")).toBeVisible();
  await expect(who.getByRole("listitem").filter({ hasText: "Bo Tideman" })).toContainText(
    "one and a half times as long",
  );
  await who.getByRole("button", { name: "Done" }).click();
  await expect(who).toBeHidden();
  await page.keyboard.press("u");
  await expect(page.getByText("Everything is as it was.")).toBeVisible();
});
