import { pathToFileURL } from "node:url";
import { expect, lookFor, test } from "../fixture";
import { nothingSerious } from "../pages/accessible";
import { SatchelPage } from "../pages/satchel-page";
import { Walk } from "./walk";

test("a lesson is saved as one page that works and checks without any network", async ({ signedIn, browser }) => {
  const ines = await signedIn("Ines Halloran");
  await lookFor(ines, "reading a tide table");
  await ines.getByText("Reading a tide table", { exact: true }).first().click();
  const walk = new Walk(ines, "from the light table to a lesson as one page", 2);
  await walk.click(ines.getByRole("link", { name: "Save as a file" }));
  await expect(ines.getByRole("heading", { name: "Save “Reading a tide table” as a file" })).toBeVisible();
  const saving = ines.waitForEvent("download");
  await walk.click(ines.getByRole("button", { name: "Download One web page (HTML)" }));
  const file = await saving;
  expect(file.suggestedFilename()).toBe("Reading-a-tide-table.html");
  walk.done();
  await nothingSerious(ines);

  await file.saveAs(`${await file.path()}.html`);
  const context = await browser.newContext({ offline: true });
  const page = await context.newPage();
  const trouble: string[] = [];
  page.on("console", (message) => message.type() === "error" && trouble.push(message.text()));
  page.on("pageerror", (error) => trouble.push(error.message));
  await page.goto(pathToFileURL(`${await file.path()}.html`).href);
  const [first] = [page.locator("form").filter({ hasText: "When can the ferry cross the bar most safely?" })];
  await first!.getByRole("button", { name: "Check" }).click();
  await expect(first!.locator("output")).toHaveText("No answer yet");
  await first!.getByLabel("at noon").check();
  await expect(first!.locator("output")).toHaveText("");
  await page.keyboard.press("Enter");
  await expect(first!.locator("output")).toContainText("Not yet");
  await first!.getByLabel("near high water").check();
  await first!.getByRole("button", { name: "Check" }).click();
  await expect(first!.locator("output")).toContainText("Right");
  await nothingSerious(page);
  expect(trouble).toEqual([]);
  await context.close();
});

test("a pocket goes out as a package, and what cannot go is named", async ({ signedIn }) => {
  const ines = await signedIn("Ines Halloran", { at: "/satchel" });
  await new SatchelPage(ines).openPocket(/^Tides/);
  await ines.getByRole("link", { name: "Save this pocket as a file" }).click();
  await expect(ines.getByRole("heading", { name: /^Save “.*Tides.*” as a file$/ })).toBeVisible();
  const saving = ines.waitForEvent("download");
  await ines.getByRole("button", { name: "Download Common Cartridge 1.3" }).click();
  expect((await saving).suggestedFilename()).toMatch(/Tides.*\.imscc$/);
});

test("a pocket can go straight to the course of the class it is for", async ({ signedIn, expectTrouble }) => {
  // The demo's course site does not run here: that is said, and nothing is lost.
  expectTrouble(/favicon/);
  const ines = await signedIn("Ines Halloran", { at: "/satchel" });
  await new SatchelPage(ines).openPocket(/^Tides/);
  await ines.getByRole("link", { name: "Save this pocket as a file" }).click();
  await ines.getByRole("link", { name: "Hand over to Quayside courses" }).click();
  await expect(ines.getByRole("heading", { name: /^Hand over “Tides.*” for 5 Kittiwake/ })).toBeVisible();
  // Which of it was sent before, by another walk, is not what this is about.
  await expect(ines.getByRole("checkbox", { name: /^Send /, checked: true })).not.toHaveCount(0);
  await expect(ines.getByText("The other system does not answer just now.", { exact: true })).toBeVisible();
  await ines.getByRole("button", { name: /^Send \d/ }).click();
  await expect(ines.getByText("Nothing was sent.")).toBeVisible();
});
