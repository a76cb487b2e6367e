import { expect, test } from "../fixture";
import { nothingSerious } from "../pages/accessible";
import { Walk } from "./walk";

test("a foreign lesson about money is made hers, and worked as a student every answer is right", async ({
  signedIn,
}) => {
  const ines = await signedIn("Ines Halloran", { at: "/find?words=lemonade+stand" });
  await expect(ines.getByRole("heading", { level: 1 })).toHaveText("Lemonade stand change");
  await ines.keyboard.press("e");
  await ines.keyboard.press("Enter");
  await ines.waitForURL(/adapt\/\d+$/);
  const walk = new Walk(ines, "a foreign lesson about money made hers", 5);
  await walk.click(ines.getByRole("button", { name: "Fit …" }));
  await walk.click(ines.getByRole("menuitem", { name: /^To my place/ }));
  await ines.waitForURL(/place$/);
  await expect(ines.getByLabel("Made for")).toHaveValue("US");
  await expect(ines.getByLabel("to be used in")).toHaveValue("XS");
  const list = ines.getByRole("region", { name: "What belongs elsewhere" });
  const money = list.getByRole("region", { name: /^Money/ });
  await expect(money.getByRole("listitem").filter({ hasText: "$0.75 → 0.75 cr" })).toBeVisible();
  // A coin without a counterpart is hers to change.
  await expect(money.getByRole("listitem").filter({ hasText: "dimes has no equivalent here" })).toBeVisible();
  await walk.click(money.getByRole("button", { name: /clear ones|All of these/ }));
  await walk.click(
    list.getByRole("region", { name: /^Spelling/ }).getByRole("button", { name: /clear ones|All of these/ }),
  );
  await walk.click(ines.getByRole("button", { name: /^Make \d+ changes$/ }));
  await expect(money.getByRole("listitem").filter({ hasText: "→" })).toHaveCount(0);
  await expect(ines.getByText(/saved \d\d:\d\d/)).toBeVisible();
  walk.done();
  await nothingSerious(ines);
  // One change: undone as a whole, and done again.
  await ines.getByRole("button", { name: "Undo" }).first().click();
  await expect(money.getByRole("listitem").filter({ hasText: "$0.75 → 0.75 cr" })).toBeVisible();
  await ines.getByRole("button", { name: "Redo" }).click();

  // Worked as a student: the same numbers, in pennies.
  await ines.getByRole("link", { name: "Edit the resource" }).click();
  await ines.getByRole("button", { name: "See as student" }).click();
  const sheet = ines.getByRole("region", { name: "The step" });
  await expect(sheet.getByText("0.75 cr")).toBeVisible();
  await expect(sheet.getByText(/together, in pennies/)).toBeVisible();
  await sheet.getByRole("textbox").first().fill("125");
  await sheet.getByRole("button", { name: "Check" }).first().click();
  await expect(sheet.getByRole("status").filter({ hasText: /right/i }).first()).toBeVisible();
});

test("degrees and inches become hers, answers follow, and what does not follow is looked at before publishing", async ({
  signedIn,
}) => {
  const ines = await signedIn("Ines Halloran", { at: "/find?words=weather+fahrenheit" });
  await expect(ines.getByRole("heading", { level: 1 })).toHaveText("A week of weather in Fahrenheit");
  await ines.keyboard.press("e");
  await ines.keyboard.press("Enter");
  await ines.waitForURL(/adapt\/\d+$/);
  await ines.getByRole("button", { name: "Fit …" }).click();
  await ines.getByRole("menuitem", { name: /^To my place/ }).click();
  await ines.waitForURL(/place$/);
  const list = ines.getByRole("region", { name: "What belongs elsewhere" });
  const units = list.getByRole("region", { name: /^Lengths/ });
  await expect(units.getByRole("listitem").filter({ hasText: "11 °F → 6 °C" })).toContainText("11 − 5 = 6");
  await expect(units.getByRole("listitem").filter({ hasText: "2 inches → 5.1 centimetres" })).toBeVisible();
  await units.getByRole("button", { name: /clear ones|All of these/ }).click();
  await ines.getByRole("button", { name: /^Make \d+ changes$/ }).click();
  await expect(ines.getByText(/saved \d\d:\d\d/)).toBeVisible();
  await ines.getByRole("link", { name: "Edit the resource" }).click();

  // "Exactly 48" is no number that follows from the table: she looks at it, and changes it.
  await ines.getByRole("button", { name: /^(?!Move).*Between the points/ }).click();
  const right = ines.getByRole("button", { name: "The answer is right" });
  await expect(right).toHaveCount(1);
  await expect(ines.getByRole("button", { name: "Publish", exact: true })).toBeDisabled();
  await ines.getByRole("textbox", { name: "Option 1" }).first().fill("exactly 9");
  await ines.getByRole("textbox", { name: "Option 3" }).first().fill("below 5");
  await right.click();
  await expect(right).toHaveCount(0);
  await expect(ines.getByRole("button", { name: "Publish", exact: true })).toBeEnabled();

  // Worked as a student.
  await ines.getByRole("button", { name: /^(?!Move).*The readings/ }).click();
  await ines.getByRole("button", { name: "See as student" }).click();
  const sheet = ines.getByRole("region", { name: "The step" });
  await expect(sheet.getByText("Noon, in degrees Celsius.")).toBeVisible();
  await expect(sheet.getByText("How many degrees Celsius warmer was Wednesday than Monday?")).toBeVisible();
  await sheet.getByRole("textbox").first().fill("6");
  await sheet.getByRole("button", { name: "Check" }).first().click();
  await expect(sheet.getByRole("status").filter({ hasText: /right/i }).first()).toBeVisible();
});
