import { test } from "../fixture";
import { AssignPanel } from "../pages/assign-panel";
import { FindPage } from "../pages/find-page";
import { Walk } from "./walk";

test("what is on the light table, to a class at a day and time", async ({ signedIn }) => {
  const page = await signedIn("Judit Varga", { at: "about:blank" });
  await new FindPage(page).open("lighthouse signals", "Lighthouse signals");
  const panel = new AssignPanel(page);
  const walk = new Walk(page, "one thing to a class at a day and time", 3);
  await panel.open(walk);
  await walk.type("cormorant friday 9:30, due in 3 school days");
  await panel.says(/of 7 Cormorant get “Lighthouse signals” on Fri.*half past 9/);
  await panel.assign(walk, "7 Cormorant");
  walk.done();
  await panel.undo();
});
