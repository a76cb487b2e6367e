import { test } from "../fixture";
import { AssignPanel } from "../pages/assign-panel";
import { FindPage } from "../pages/find-page";
import { Walk } from "./walk";

test("from the words of a need to assigned", async ({ signedIn }) => {
  const page = await signedIn("Judit Varga");
  const panel = new AssignPanel(page);
  const walk = new Walk(page, "need to assigned", 5);
  await new FindPage(page).find(walk, "lighthouse signals", "Lighthouse signals");
  await panel.open(walk);
  await panel.says(/of 7 Cormorant get “Lighthouse signals”/);
  await panel.assign(walk, "7 Cormorant");
  walk.done();
  await panel.undo();
});
