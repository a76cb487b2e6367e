import { expect, lookFor, test } from "../fixture";
import { Walk } from "./walk";

test("text far above the class: said, and mended with one press that loses nothing", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  await lookFor(page, "tides at the bar");
  await page.keyboard.press("a");
  const panel = page.getByRole("region", { name: "Assign" });
  const line = panel.getByLabel("Assign in one line");
  await line.fill("puffin except Benno Lasz, now, 2 tries");
  const found = panel.getByRole("region", { name: "Last look" }).getByText(/reads at 12\+, far above everyone/);
  await expect(found).toBeVisible();
  const walk = new Walk(page, "text far above the class, mended", 1);
  await walk.click(panel.getByRole("button", { name: /^Give “.*” \(reads at/ }).first());
  await expect(found).toHaveCount(0);
  walk.done();
  await expect(line).toHaveValue(/except Benno Lasz/);
  await expect(line).toHaveValue(/2 tries/);
});

test("rights kept by somebody of another school, and a link that leads out, are said before it goes out", async ({
  signedIn,
}) => {
  const page = await signedIn("Ines Halloran");
  await page.goto("/find?words=echo+and+depth&do=assign");
  const panel = page.getByRole("region", { name: "Assign" });
  await panel.getByLabel("Assign in one line").fill("puffin, now");
  await expect(panel.getByText(/Aud Fennimore keeps all rights .* Ask before your class gets it\./)).toBeVisible();

  await page.goto("/satchel");
  await page.getByRole("button", { name: "Make new" }).click();
  await page.getByLabel("What is it called?").fill("The lamp museum");
  await page.keyboard.press("Enter");
  await page.waitForURL(/\/adapt\/\d+/);
  await page.getByRole("button", { name: "Write the first step" }).click();
  await page.getByLabel("Title of the step").fill("Look at the lamps");
  await page.getByRole("button", { name: "More …" }).click();
  await page.getByRole("menuitem", { name: "A page to open" }).click();
  await page.getByLabel("What students read").fill("The lamps");
  await expect(page.getByText("Nothing to fix.")).toBeVisible();
  await expect(page.getByText(/saved \d/)).toBeVisible();
  await page.getByRole("button", { name: "Publish" }).click();
  await expect(page.getByText(/Published as revision 1/)).toBeVisible();
  await page.goto("/find?words=the+lamp+museum&do=assign");
  await panel.getByLabel("Assign in one line").fill("puffin, now");
  await expect(panel.getByText(/Links lead out of the school: example\.org\./)).toBeVisible();
});
