import { expect, test } from "../fixture";
import { AssignPanel } from "../pages/assign-panel";
import { Walk } from "./walk";

test("the same line works for what is brought to the plan", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran", { at: "/plan" });
  const walk = new Walk(page, "bring and assign from the plan", 5);
  await walk.click(page.getByRole("button", { name: /^Bring/ }));
  await walk.type("kelp under glass");
  await walk.click(page.getByRole("button", { name: /^Assign “Kelp under glass”/ }));
  const panel = new AssignPanel(page);
  await expect(panel.line).toBeFocused();
  await walk.type("kittiwake fri 9 to mon");
  await panel.says(/of 5 Kittiwake get “Kelp under glass” on Fri/);
  await panel.assign(walk, "5 Kittiwake");
  walk.done();
  await panel.undo();
});
