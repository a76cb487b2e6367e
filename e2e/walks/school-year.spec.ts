import type { Locator } from "@playwright/test";
import { expect, test } from "../fixture";
import { nothingAtAll } from "../pages/accessible";
import { Walk } from "./walk";

test("the office sets up next year by steps, and takes it back", async ({ signedIn }) => {
  const office = await signedIn("Hollis Gray", { at: "/office" });
  const walk = new Walk(office, "next school year by steps", 14);
  const fill = async (what: Locator, text: string) => {
    walk.presses += 1;
    await what.fill(text);
  };
  const enter = async (what: Locator) => {
    walk.presses += 1;
    await what.press("Enter");
  };
  await walk.click(office.getByRole("link", { name: "Set up a school year, step by step" }));
  const next = (to: string) => office.getByRole("button", { name: `Next: ${to}` });
  // Too soon: not a press of somebody who knows what is wanted.
  await next("week").click();
  await expect(
    office.getByRole("alert").filter({ hasText: "Type the first and the last day of school." }),
  ).toBeVisible();
  await fill(office.getByLabel("First day of school"), "30 Aug 2027");
  await fill(office.getByLabel("Last day of school"), "23 Jun 2028");
  await office.getByLabel("Last day of school").press("Tab");
  const terms = office.getByRole("list", { name: "Terms", exact: true }).getByRole("listitem");
  await expect(terms).toHaveCount(3);
  await fill(office.getByRole("spinbutton", { name: "Terms", exact: true }), "2");
  await expect(terms).toHaveCount(2);
  await fill(office.getByLabel("Name of term 1"), "Herring semester");
  await nothingAtAll(office);
  await enter(next("week"));
  await expect(office.getByRole("heading", { name: "What does a week look like?" })).toBeFocused();
  await walk.click(office.getByLabel("The week stays as it is"));
  await fill(office.getByLabel("Lessons a day"), "5");
  await expect(office.getByRole("list", { name: "Bells", exact: true }).getByRole("listitem")).toHaveText([
    ...["08:50–09:35", "09:40–10:25", "10:45–11:30", "11:35–12:20", "13:10–13:55"],
  ]);
  // Not every school has it: on Fridays one lesson fewer.
  await office.getByRole("button", { name: "One day differs" }).click();
  await expect(office.getByLabel("Which day differs")).toHaveValue("5");
  await expect(office.getByRole("list", { name: "Bells on Friday" }).getByRole("listitem")).toHaveText([
    ...["08:50–09:35", "09:40–10:25", "10:45–11:30", "11:35–12:20"],
  ]);
  await nothingAtAll(office);
  await enter(next("days off"));
  // Back is a step back, with everything that was typed; forward again.
  await office.goBack();
  await expect(office.getByLabel("Lessons a day")).toHaveValue("5");
  await office.goForward();
  await walk.click(office.getByRole("button", { name: "Add a day off" }));
  await fill(office.getByLabel("Date of day off 1"), "1 Oct 2027");
  await fill(office.getByLabel("What day off 1 is"), "Boat day");
  await enter(next("look it over"));
  await expect(office.getByText("Herring semester")).toBeVisible();
  await expect(office.getByText("Lessons a week").locator("..")).toContainText("24");
  await nothingAtAll(office);
  await walk.click(office.getByRole("button", { name: "Save the year" }));
  await expect(office.getByText("The school year is saved.")).toBeVisible();
  walk.done();
  const card = office.getByRole("region", { name: "Terms" });
  await expect(card.getByLabel("Name of term 2", { exact: false }).first()).toBeVisible();
  const named = () => card.getByRole("textbox").evaluateAll((all) => all.map((one) => (one as HTMLInputElement).value));
  expect(await named()).toContain("Herring semester");
  await office.getByRole("button", { name: "Undo" }).click();
  await expect.poll(named).not.toContain("Herring semester");
  // What is not filled in is asked first, whatever the address says.
  await office.goto("/office/year?step=4");
  await expect(office.getByRole("heading", { name: "When is there school?" })).toBeVisible();
});
