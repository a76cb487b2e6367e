import { expect, test } from "./fixture";
import { nothingSerious } from "./pages/accessible";

test("a mixed-grade group made by hand, its reading and devices said, put away and brought back", async ({
  signedIn,
}) => {
  const page = await signedIn("Ines Halloran", { at: "/classes" });
  await page.getByRole("button", { name: "Make a class or group" }).click();
  const dialog = page.getByRole("dialog", { name: "Make a class or a group" });
  await dialog.getByRole("button", { name: "Save" }).click();
  await expect(dialog.getByText("A class needs a name.")).toBeVisible();
  await dialog.getByLabel("Name").fill("Lamp group");
  await dialog.getByLabel("Subject").fill("reading");
  await dialog.getByLabel("To grade").selectOption("5");
  await dialog.getByLabel("Minutes of a lesson").fill("30");
  await dialog.getByLabel("Languages of the class").fill("English, Klingonish");
  await expect(dialog.getByText("We do not know one of these. Write them like English, español.")).toBeVisible();
  await dialog.getByLabel("Languages of the class").fill("English, Spanish");
  await dialog.getByRole("checkbox", { name: "a microphone" }).click();
  await nothingSerious(page);
  await dialog.getByRole("button", { name: "Save" }).click();
  await expect(page.getByRole("heading", { name: "Lamp group" })).toBeVisible();

  await page.getByRole("button", { name: "From my classes" }).click();
  const from = page.getByRole("dialog", { name: "From my classes into Lamp group" });
  await from.getByRole("checkbox", { name: "Marek Zielin" }).click();
  await from.getByRole("checkbox", { name: "Benno Lasz" }).click();
  await from.getByRole("button", { name: "Add 2" }).click();
  await expect(page.getByRole("row", { name: /Benno Lasz/ })).toBeVisible();
  await expect(page.getByRole("row", { name: /Marek Zielin/ })).toBeVisible();

  await page.getByRole("button", { name: "More" }).click();
  await page.getByRole("menuitem", { name: /Change name/ }).click();
  const change = page.getByRole("dialog", { name: "Lamp group" });
  await expect(change.getByText(/worked out from its students/)).toBeVisible();
  await change.getByRole("checkbox", { name: "worked out from its students" }).click();
  await change.getByLabel("Weakest reader").fill("9");
  await change.getByRole("button", { name: "Save" }).click();
  await expect(change.getByText("The lower reading grade comes first.")).toBeVisible();
  await change.getByLabel("Weakest reader").fill("2.5");
  await change.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Saved for Lamp group.")).toBeVisible();

  // What is said of it decides what fits: the bar is set to the group.
  await page.goto("/find?words=reading+a+tide+table");
  await page.getByRole("button", { name: /^for / }).click();
  await page.getByRole("menuitem", { name: /Lamp group/ }).click();
  await expect(page.getByText(/of your 30 minutes/).first()).toBeVisible();
  await expect(page.getByText(/Lamp group reads at 2\.5 to/).first()).toBeVisible();

  await page.goto("/classes");
  await page.getByRole("link", { name: /^Lamp group/ }).click();
  await expect(page.getByRole("heading", { name: "Lamp group" })).toBeVisible();
  await page.getByRole("button", { name: "More" }).click();
  await page.getByRole("menuitem", { name: "Put the class away" }).click();
  await expect(page.getByText("Lamp group is put away.")).toBeVisible();
  await page.getByText(/^Put away \(/).click();
  await page.getByRole("link", { name: /^Lamp group/ }).click();
  await expect(page.getByRole("heading", { name: "It had no work" })).toBeVisible();
  await page.getByRole("button", { name: "Bring it back" }).click();
  await expect(page.getByRole("row", { name: /Benno Lasz/ })).toBeVisible();
  await page.getByRole("button", { name: "More" }).click();
  await page.getByRole("menuitem", { name: "Put the class away" }).click();
  await expect(page.getByText("Lamp group is put away.").first()).toBeVisible();
});
