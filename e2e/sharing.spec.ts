import { expect, lines, lookFor, onlyTo, test } from "./fixture";
import { SatchelPage } from "./pages/satchel-page";

test("a teacher shares her version in the staffroom: a colleague finds it, and no longer when it is taken out", async ({
  signedIn,
}) => {
  const page = await signedIn("Teodor Brandt");
  const satchel = new SatchelPage(page);
  await satchel.open("Fractions at the fish market");
  await satchel.share();
  const share = page.getByRole("region", { name: "Share" });
  const staffroom = share.getByRole("listitem").filter({ hasText: "The staffroom" });
  await staffroom.getByRole("button", { name: "Take it off" }).click();
  await expect(staffroom).toContainText("It is there straight away");

  const colleague = await signedIn("Linnea Strand");
  await colleague.getByLabel("About: words to look for").fill('"fish market"');
  await expect(colleague.getByRole("heading", { name: "No results for all of this" })).toBeVisible();

  await page.bringToFront();
  await page.locator("body").press("u");
  await expect(staffroom.getByRole("button", { name: "Take it off" })).toBeVisible();
  await colleague.reload();
  await expect(lines(colleague).first()).toContainText("Fractions at the fish market");
});

test("what is published later changes nothing for those who were given the earlier", async ({ signedIn }) => {
  const teacher = await signedIn("Judit Varga");
  await lookFor(teacher, "boat building to scale");
  await teacher.keyboard.press("a");
  const panel = teacher.getByRole("region", { name: "Assign" });
  await panel.getByRole("radio", { name: "now" }).click();
  await onlyTo(panel, "7 Cormorant", ["Colm Tarrant"]);
  await panel.getByRole("button", { name: "Assign", exact: true }).click();
  await expect(teacher.getByText("Assigned to 7 Cormorant.")).toBeVisible();
  await teacher.keyboard.press("e");
  await teacher.waitForURL(/\/adapt\/\d+/);
  await teacher.getByLabel("Title of the step").fill("A new first step");
  await expect(teacher.getByText(/saved \d/)).toBeVisible();
  await teacher.getByRole("button", { name: "Publish", exact: true }).click();
  await expect(teacher.getByText(/Published as revision 2\. What is assigned already stays as it was\./)).toBeVisible();

  const student = await signedIn("Colm Tarrant");
  await student.getByRole("link", { name: /Begin.*Boat building/ }).click();
  await student.waitForURL(/student\/\d+/);
  await expect(student.getByRole("heading", { name: "The drawing" })).toBeVisible();
});
