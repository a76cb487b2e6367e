import { expect, test } from "../fixture";
import { Walk } from "./walk";

test("a day is lost, and everything moves on", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran", { at: "/plan?weeks=6" });
  const walk = new Walk(page, "a day lost and everything moved", 3);
  await walk.click(page.getByRole("button", { name: "A day is lost" }));
  await expect(page.getByLabel("Reason")).toBeFocused();
  await walk.type("Storm");
  await walk.key("Enter");
  await expect(page.getByText(/Storm: \d+ moved on by as many lessons as were lost\./)).toBeVisible();
  walk.done();
  await page.keyboard.press("u");
  await expect(page.getByText("Everything is where it was.")).toBeVisible();
});
