import { expect, lookFor, test } from "../fixture";
import { EditorPage } from "../pages/editor-page";
import { Walk } from "./walk";

test("text far above the class is said before it goes out, and stops nothing", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  await lookFor(page, "tides at the bar");
  const walk = new Walk(page, "text far above the class, assigned all the same", 3);
  await walk.key("a");
  await walk.type("puffin except Benno Lasz, now, due in 3 school days");
  const panel = page.getByRole("region", { name: "Assign" });
  await expect(
    panel.getByRole("region", { name: "Last look" }).getByText(/reads at 12\+, far above everyone/),
  ).toBeVisible();
  await expect(panel.getByRole("status", { name: "In words" })).toHaveAttribute("aria-busy", "false");
  await walk.key("Enter");
  await expect(page.getByText("Assigned to 4/5 Puffin.")).toBeVisible();
  walk.done();
  await page.getByRole("button", { name: "Undo" }).click();
});

test("rights kept by somebody of another school, and a link that leads out, are said before it goes out", async ({
  signedIn,
}) => {
  const page = await signedIn("Ines Halloran", { at: "/find?words=echo+and+depth&do=assign" });
  const panel = page.getByRole("region", { name: "Assign" });
  await panel.getByLabel("Assign in one line").fill("puffin, now");
  await expect(panel.getByText(/Aud Fennimore keeps all rights .* Ask before your class gets it\./)).toBeVisible();

  await new EditorPage(page).makeNew("The lamp museum", "Look at the lamps");
  await page.getByRole("button", { name: "More …" }).click();
  await page.getByRole("menuitem", { name: "A page to open" }).click();
  await page.getByLabel("What students read").fill("The lamps");
  await expect(page.getByText("Nothing to fix.")).toBeVisible();
  await expect(page.getByText(/saved \d/)).toBeVisible();
  await page.getByRole("button", { name: "Publish", exact: true }).click();
  await expect(page.getByText(/Published as revision 1/)).toBeVisible();
  await page.goto("/find?words=the+lamp+museum&do=assign");
  await panel.getByLabel("Assign in one line").fill("puffin, now");
  await expect(panel.getByText(/Links go outside the school: example\.org\./)).toBeVisible();
});
