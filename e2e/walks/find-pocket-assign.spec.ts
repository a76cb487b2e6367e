import { expect, test } from "../fixture";
import { AssignPanel } from "../pages/assign-panel";
import { FindPage } from "../pages/find-page";
import { Walk } from "./walk";

test("what is found goes into a pocket, and all of the pocket to a class", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  const panel = new AssignPanel(page);
  const walk = new Walk(page, "find, pocket, assign the pocket", 6);
  await new FindPage(page).find(walk, "buoys on a grid", "Buoys on a grid");
  await walk.key("P");
  await expect(page.getByRole("menuitem").first()).toBeFocused();
  await walk.key("Control+Enter");
  await page.waitForURL(/\/satchel\?pocket=/);
  await panel.says(/of 5 Kittiwake get (“Buoys on a grid”|\d+ resources)/);
  await panel.assign(walk, "5 Kittiwake");
  walk.done();
  await panel.undo();
  // Other journeys count what is in this pocket.
  const ticked = page.getByRole("toolbar", { name: "With what is ticked" });
  if (!(await ticked.isVisible())) await page.getByRole("checkbox", { name: "Tick Buoys on a grid" }).click();
  else await page.getByRole("checkbox", { name: "Tick all" }).uncheck();
  await page.getByRole("checkbox", { name: "Tick Buoys on a grid" }).check();
  await ticked.getByRole("button", { name: "Take out of this pocket" }).click();
  await expect(page.getByRole("checkbox", { name: "Tick Buoys on a grid" })).toHaveCount(0);
});

test("put into a pocket with the mouse, it can be taken back, and what lies there already is said", async ({
  signedIn,
}) => {
  const page = await signedIn("Rona Sundin", { at: "about:blank" });
  await new FindPage(page).open("lighthouse signals", "Lighthouse signals");
  const into = async () => {
    await page.getByRole("button", { name: "Put it into a pocket" }).click();
    await page.getByRole("menuitem").first().click();
  };
  await into();
  await expect(page.getByText(/^Put “Lighthouse signals” into “/)).toBeVisible();
  await expect(page.getByRole("button", { name: "In my satchel" })).toBeVisible();
  await into();
  await expect(page.getByText(/^It is in “.*” already\.$/)).toBeVisible();
});
