import { expect, test } from "../fixture";
import { FindPage } from "../pages/find-page";
import { Walk } from "./walk";

test("a colleague's activity becomes her own, without the colleague's voice", async ({ signedIn }) => {
  const page = await signedIn("Judit Varga", { at: "about:blank" });
  await new FindPage(page).open("the harbour in twelve hours", "The harbour in twelve hours");
  const walk = new Walk(page, "a colleague's activity made one's own without the colleague's voice", 3);
  await walk.key("e");
  await walk.click(page.getByRole("button", { name: "Copy it without any voice" }));
  await page.waitForURL(/\/adapt\/\d+/);
  walk.done();
  await expect(page.getByText("Nothing to fix.")).toBeVisible();
});
