import { expect, test } from "./fixture";

test("what must be fixed leads to the very block, in sight and at the keyboard", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  await page.goto("/satchel");
  await page.getByRole("button", { name: "Make new" }).click();
  await page.getByLabel("What is it called?").fill("Links and sounds");
  await page.keyboard.press("Enter");
  await page.waitForURL(/\/adapt\/\d+/);
  await page.getByRole("button", { name: "Write the first step" }).click();
  await page.getByLabel("Title of the step").fill("Long");
  const add = (name: string) => page.getByRole("button", { name, exact: true }).click();
  for (const name of ["Text", "Text", "Text", "Link"]) await add(name);
  await page.getByRole("button", { name: "Step", exact: true }).click();
  const found = page.getByRole("button", { name: /^Step 1: A link says nothing/ });
  await expect(found).toBeVisible();
  await found.click();
  const link = page.getByRole("region", { name: "Link" });
  await expect(link).toBeFocused();
  await expect(link).toBeInViewport();
});
