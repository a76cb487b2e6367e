import { expect, test } from "./fixture";

test("the evening stays evening, from page to page and after a new start", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  const html = page.locator("html");
  await expect(html).toHaveAttribute("data-theme", "day");
  await page.getByRole("button", { name: "Day or evening" }).click();
  await expect(html).toHaveAttribute("data-theme", "evening");
  await page.getByRole("link", { name: "Plan" }).click();
  await page.reload();
  await expect(html).toHaveAttribute("data-theme", "evening");
  await page.getByRole("button", { name: "Day or evening" }).click();
  await page.reload();
  await expect(html).toHaveAttribute("data-theme", "day");
});

test("the class in the top bar is the one work is offered to", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran", { at: "/find?words=kelp+under+glass&do=assign" });
  const chosen = (name: string) =>
    page.getByRole("region", { name: "Assign" }).getByRole("checkbox", { name, exact: true });
  await expect(chosen("5 Kittiwake")).toBeChecked();
  await page.getByRole("button", { name: /for\s+5 Kittiwake/ }).click();
  await page.getByRole("menuitem", { name: "4/5 Puffin" }).click();
  await expect(page.getByRole("button", { name: /for\s+4\/5 Puffin/ })).toBeVisible();
  await page.reload();
  await expect(chosen("4/5 Puffin")).toBeChecked();
  await expect(chosen("5 Kittiwake")).not.toBeChecked();
});

test("help tells the round and the keys, to anyone who asks", async ({ page }) => {
  await page.goto("/help");
  for (const chapter of [
    "Find",
    "Look it over",
    "Keep it, make it yours",
    "Assign",
    "Plan",
    "Classes",
    "The school office",
    "Students come in",
    "See what came back",
    "Keys",
  ]) {
    await expect(page.getByRole("heading", { name: chapter, exact: true })).toBeVisible();
  }
});

test("signing out ends it: the way back leads to the door", async ({ signedIn }) => {
  const page = await signedIn("Marcus Osei");
  await page.getByRole("button", { name: /Marcus Osei/ }).click();
  await page.getByRole("menuitem", { name: "Sign out" }).click();
  await page.waitForURL(/sign-in/);
  await page.goBack();
  await page.reload();
  await page.waitForURL(/sign-in/);
});

test("the first thing to tab to leads past the bar", async ({ signedIn }) => {
  const page = await signedIn("Marcus Osei");
  await page.keyboard.press("Tab");
  await expect(page.getByRole("link", { name: "Skip to the page" })).toBeFocused();
});
