import { expect, test } from "../fixture";
import { nothingSerious } from "../pages/accessible";
import { Walk } from "./walk";

test("everything of mine goes along as one file, and comes in with another teacher, who sees first what is in it", async ({
  signedIn,
  expectTrouble,
}) => {
  expectTrouble(/422/);
  const ines = await signedIn("Ines Halloran", { at: "/satchel" });
  const walk = new Walk(ines, "from the satchel to everything of mine as one file", 3);
  await walk.click(ines.getByRole("link", { name: "Bring in", exact: true }));
  await walk.click(ines.getByRole("link", { name: "My satchel as a file" }));
  await expect(ines.getByRole("heading", { name: "Download everything I made" })).toBeVisible();
  const saving = ines.waitForEvent("download");
  await walk.click(ines.getByRole("link", { name: "Download everything" }));
  const file = await (await saving).path();
  walk.done();

  const bettina = await signedIn("Bettina Rask", { at: "/satchel/package" });
  const choose = bettina.getByLabel("The file (zip, 45 MB at most)");
  // What is no such file says so, and nothing is changed.
  await choose.setInputFiles({ name: "notes.zip", mimeType: "application/zip", buffer: Buffer.from("no zip at all") });
  await expect(bettina.getByRole("alert").filter({ hasText: "Nothing was changed" })).toBeVisible();
  await choose.setInputFiles(file);
  const inside = bettina.getByRole("list", { name: "In the file" });
  await expect(inside.getByRole("listitem").filter({ hasText: "Ferry fares" })).toContainText("revision");
  await nothingSerious(bettina);
  await bettina.getByRole("button", { name: /^Bring \d+ things in$/ }).click();
  await expect(bettina.getByRole("status").filter({ hasText: "in your satchel now" })).toBeVisible();
  await bettina.getByRole("link", { name: "To my satchel" }).click();
  await expect(bettina.getByText("Ferry fares").first()).toBeVisible();
  // The same file again: it is all there.
  await bettina.goto("/satchel/package");
  await choose.setInputFiles(file);
  await expect(bettina.getByRole("button", { name: "You already have all of this" })).toBeDisabled();
});
