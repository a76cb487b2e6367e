import { expect, lookFor, test } from "./fixture";
import { nothingSerious } from "./pages/accessible";

test("a resource on paper: for students without answers, and the key with them", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  await lookFor(page, "reading a tide table");
  const address = await page.getByRole("link", { name: "Print", exact: true }).getAttribute("href");
  await page.goto(address!);
  await expect(page.getByRole("heading", { name: "Reading a tide table" })).toBeVisible();
  await expect(page.getByText("When can the ferry cross the bar most safely?")).toBeVisible();
  await expect(page.getByRole("heading", { name: "Answer key" })).toHaveCount(0);
  await expect(page.getByText("12 h 25 min")).toHaveCount(0);
  await page.getByRole("radio", { name: "answer key" }).click();
  await expect(page.getByRole("heading", { name: "Answer key" })).toBeVisible();
  await expect(page.getByText("12 h 25 min")).toBeVisible();
  await expect(page).toHaveURL(/print=key/);
  // On paper there is nothing to press.
  await page.emulateMedia({ media: "print" });
  await expect(page.getByRole("button", { name: "Print" })).toBeHidden();
  await page.emulateMedia({ media: "screen" });
  await nothingSerious(page);
});

test("a pocket prints all its lines and what its standards say; what is ticked is exported alone", async ({
  signedIn,
}) => {
  const page = await signedIn("Ines Halloran", { at: "/satchel" });
  await page
    .getByRole("navigation", { name: "Pockets" })
    .getByRole("button", { name: /^Tides, term 1/ })
    .click();
  await expect(page.getByRole("link", { name: "Print this list" })).toHaveAttribute("href", /pocket=\d+/);
  const address = await page.getByRole("link", { name: "Print this list" }).getAttribute("href");
  await page.goto(address!);
  await expect(page.getByRole("heading", { name: "Tides, term 1" })).toBeVisible();
  await expect(page.getByRole("row")).toHaveCount(4);
  await expect(page.getByRole("term").filter({ hasText: "MA.5.M.2" })).toBeVisible();

  await page.goto("/satchel");
  await page.getByRole("checkbox", { name: /Storm words/ }).click();
  await page.getByRole("button", { name: "More actions for what is ticked" }).click();
  const download = page.waitForEvent("download");
  await page.getByRole("menuitem", { name: "Export them (CSV)" }).click();
  const stream = await (await download).createReadStream();
  let text = "";
  for await (const piece of stream) text += String(piece);
  expect(text.trim().split(/\r?\n/)).toHaveLength(2);
  expect(text).toContain("Storm words");
});
