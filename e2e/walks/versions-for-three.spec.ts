import { expect, test } from "../fixture";
import { AssignPanel } from "../pages/assign-panel";
import { FindPage } from "../pages/find-page";
import { Walk } from "./walk";

test("a class gets one thing, and three of its children other versions of it", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran", { at: "about:blank" });
  await new FindPage(page).open("reading a tide table", "Reading a tide table");
  const panel = new AssignPanel(page);
  const walk = new Walk(page, "other versions for three children", 5);
  await panel.open(walk);
  await walk.type("puffin now, Alva Kirk short version, Odd Marwen short version, Sunniva Dale Spanish version");
  await panel.says(/two of them get the shorter version/);
  await expect(panel.said).toContainText(/one of them gets|“Leer la tabla de mareas”/);
  await panel.assign(walk, "4/5 Puffin");
  walk.done();
  await panel.undo();
});
