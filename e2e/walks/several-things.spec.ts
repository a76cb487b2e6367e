import { expect, test } from "../fixture";
import { AssignPanel } from "../pages/assign-panel";
import { SatchelPage } from "../pages/satchel-page";
import { Walk } from "./walk";

test("three things in order, to a class without one child, with days, two tries and a goal", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran", { at: "/satchel" });
  // By name: other journeys leave copies of their own at the top of her satchel.
  const satchel = new SatchelPage(page);
  await expect(satchel.tick("Ferry fares")).toBeVisible();
  const panel = new AssignPanel(page);
  const walk = new Walk(page, "several with a window, tries, order, some students and a goal", 6);
  for (const title of ["Ferry fares", "Bird counts as graphs", "The ferry timetable"])
    await walk.click(satchel.tick(title));
  await panel.open(walk);
  // Other journeys move children between classes.
  const all = await panel.membersOf("4/5 Puffin");
  await walk.type("puffin except Benno Lasz, Mon to Fri, 2 tries, in order, goal equivalent fractions");
  await panel.says(new RegExp(`^${all - 1} students of 4/5 Puffin get .* on Mon \\d+ \\w+, 7 in the morning, due Fri`));
  await panel.assign(walk, "4/5 Puffin");
  walk.done();
  await panel.undo();
});
