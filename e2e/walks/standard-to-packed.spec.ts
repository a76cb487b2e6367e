import { expect, test } from "../fixture";
import { FindPage } from "../pages/find-page";
import { Walk } from "./walk";

test("from the code of a standard to a lesson in the satchel", async ({ signedIn }) => {
  const page = await signedIn("Judit Varga");
  const walk = new Walk(page, "a standard to a packed lesson", 5);
  await new FindPage(page).find(walk, "SO.4.G.1", /map of the isles/);
  await walk.key("p");
  await expect(page.getByRole("button", { name: "In my satchel" })).toBeVisible();
  walk.done();
});
