import { expect, test } from "../fixture";
import { nothingSerious } from "../pages/accessible";
import { Walk } from "./walk";

test("from the plan to a day in pictures, changed, kept and ready to print", async ({ signedIn }) => {
  const ines = await signedIn("Ines Halloran", { at: "/plan" });
  const walk = new Walk(ines, "from the plan to a day in pictures", 2);
  await walk.click(ines.getByRole("link", { name: /in pictures$/ }).nth(1));
  await ines.waitForURL(/plan\/pictures/);
  const parts = ines.getByRole("list", { name: "The day" }).getByRole("listitem");
  await expect(parts.first()).toBeVisible();
  await expect(ines.getByLabel("What part 1 is")).toHaveValue("Good morning");
  walk.done();
  const count = await parts.count();
  await nothingSerious(ines);

  // By the keys: another picture, another word, another place.
  await ines.getByRole("button", { name: /^Picture of Good morning/ }).press("Enter");
  await ines.getByRole("menuitem", { name: "celebration" }).press("Enter");
  await ines.getByLabel("What part 1 is").fill("Aisha’s birthday");
  await ines.getByRole("button", { name: "Move Aisha’s birthday down" }).press("Enter");
  await expect(ines.getByLabel("What part 2 is")).toHaveValue("Aisha’s birthday");
  await expect(ines.getByRole("status").filter({ hasText: "saved" })).toBeVisible();
  await ines.reload();
  await expect(ines.getByLabel("What part 2 is")).toHaveValue("Aisha’s birthday");
  await ines.getByRole("button", { name: "Remove Aisha’s birthday" }).click();
  await expect(parts).toHaveCount(count - 1);
  await ines.getByRole("button", { name: "Undo" }).click();
  await expect(parts).toHaveCount(count);
  await ines.getByRole("button", { name: "Start again from the plan" }).click();
  await expect(ines.getByLabel("What part 1 is")).toHaveValue("Good morning");

  // On paper: the pictures, the words and the boxes, and nothing to press.
  await ines.emulateMedia({ media: "print" });
  await expect(ines.getByRole("button", { name: "Print" })).toBeHidden();
  await expect(parts.first()).toBeVisible();
  await expect(ines.getByText(/ISC licence/)).toBeVisible();
});
