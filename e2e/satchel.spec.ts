import { expect, test } from "./fixture";

test("pockets: make, rename, put in, take out, and sort until nothing is left without one", async ({ signedIn }) => {
  const page = await signedIn("Rona Sundin");
  await page.goto("/satchel");
  const pockets = page.getByRole("navigation", { name: "Pockets" });
  const count = page.getByRole("button", { name: /^Not in any pocket/ });
  await expect(count).toContainText("6");

  await pockets.getByRole("button", { name: "New pocket" }).click();
  await page.getByLabel("Name of the new pocket").fill("Close reading");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Close reading" })).toBeVisible();
  await expect(page.getByRole("heading", { name: "This pocket is empty" })).toBeVisible();

  await count.click();
  await page.getByRole("checkbox", { name: "Tick The keeper's letter" }).click();
  await page.getByRole("checkbox", { name: "Tick Storm words" }).click();
  await page.getByRole("toolbar", { name: "With what is ticked" }).getByRole("button", { name: "Put into" }).click();
  await page.getByRole("menuitem", { name: "Close reading" }).click();
  await expect(page.getByText("Put 2 things into “Close reading”.")).toBeVisible();
  await expect(count).toContainText("4");

  // Taken back with the key, and done again.
  await page.keyboard.press("u");
  await expect(count).toContainText("6");
  await page.getByRole("checkbox", { name: "Tick all" }).click();
  await page.getByRole("button", { name: "Put into" }).click();
  await page.getByRole("menuitem", { name: "Close reading" }).click();
  await expect(page.getByRole("heading", { name: "All sorted" })).toBeVisible();

  await pockets.getByRole("button", { name: "More for Close reading" }).click();
  await page.getByRole("menuitem", { name: "Rename" }).click();
  await page.getByLabel("New name of Close reading").fill("Reading closely");
  await page.keyboard.press("Enter");
  await pockets.getByRole("button", { name: /^Reading closely/ }).click();

  await page.getByRole("checkbox", { name: "Tick Storm words" }).click();
  await page.getByRole("button", { name: "Take out of this pocket" }).click();
  await expect(count).toContainText("1");

  await pockets.getByRole("button", { name: "More for Reading closely" }).click();
  await page.getByRole("menuitem", { name: "Remove the pocket" }).click();
  await expect(count).toContainText("6");
  await page.keyboard.press("u");
  await expect(pockets.getByRole("button", { name: /^Reading closely/ })).toContainText("5");
});

test("two pockets of one name are refused, and what was typed stays", async ({ signedIn }) => {
  const page = await signedIn("Mercy Adeyemi");
  await page.goto("/satchel");
  for (const again of [false, true]) {
    await page.getByRole("button", { name: "New pocket" }).click();
    await page.getByLabel("Name of the new pocket").fill("Openers");
    await page.keyboard.press("Enter");
    if (again) {
      await expect(page.getByText("You have a pocket of that name already.")).toBeVisible();
      await expect(page.getByLabel("Name of the new pocket")).toHaveValue("Openers");
    } else await expect(page.getByRole("heading", { name: "Openers" })).toBeVisible();
  }
});

test("what is taken out of the satchel can be brought back, own and packed alike", async ({ signedIn }) => {
  const page = await signedIn("Linnea Strand");
  await page.goto("/find?words=ferry+fares");
  await page.getByRole("button", { name: "Pack" }).click();
  await expect(page.getByText("Packed “Ferry fares”.")).toBeVisible();
  await page.goto("/satchel");
  const everything = page.getByRole("button", { name: /^Everything/ });
  const before = await everything.innerText();
  await page.getByRole("checkbox", { name: "Tick Ferry fares" }).click();
  await page.getByRole("checkbox", { name: "Tick Counting puffins" }).click();
  await page.getByRole("button", { name: "Take out of the satchel" }).click();
  await expect(page.getByText("Took 2 things out of your satchel.")).toBeVisible();
  await expect(page.getByRole("checkbox", { name: "Tick Counting puffins" })).toHaveCount(0);
  await page.keyboard.press("u");
  await expect(everything).toHaveText(before.replace(/\s+/g, ""));
  await expect(page.getByRole("checkbox", { name: "Tick Counting puffins" })).toBeVisible();
});
