import { expect, test } from "../fixture";
import { nothingAtAll } from "../pages/accessible";
import { Walk } from "./walk";

test("a teacher has left, and a colleague has her satchel", async ({ signedIn }) => {
  const piers = await signedIn("Piers Oakenshaw", { at: "/satchel" });
  await expect(piers.getByText(/^\d+ things?/).first()).toBeVisible();
  await expect(piers.getByText("made by Rona Sundin")).toHaveCount(0);
  const office = await signedIn("Hollis Gray");
  const walk = new Walk(office, "a teacher leaves and her satchel is handed over", 3);
  const people = office.getByRole("region", { name: "Teachers and office" });
  await walk.click(people.getByRole("button", { name: "Rona Sundin has left" }));
  await expect(office.getByText("Rona Sundin cannot sign in any more.")).toBeVisible();
  const left = office.getByRole("region", { name: "People who have left" });
  await expect(left.getByRole("button", { name: "Hand over satchel" })).toBeDisabled();
  walk.presses += 1;
  await left.getByRole("combobox").selectOption({ label: "Piers Oakenshaw" });
  await nothingAtAll(office);
  await walk.click(left.getByRole("button", { name: "Hand over satchel" }));
  await expect(office.getByText(/^Piers Oakenshaw has Rona Sundin’s satchel now: \d+ lessons\.$/)).toBeVisible();
  walk.done();
  await expect(left).toContainText("no lessons");

  await piers.reload();
  await expect(piers.getByText("made by Rona Sundin").first()).toBeVisible();

  await office.getByRole("button", { name: "Undo" }).first().click();
  await expect(office.getByText("Taken back.")).toBeVisible();
  await left.getByRole("button", { name: "Is back" }).click();
  await expect(people.getByRole("button", { name: "Rona Sundin has left" })).toBeVisible();
});
