import type { Page } from "@playwright/test";
import { expect, giveNow, test } from "../fixture";
import { Walk } from "./walk";

const picture = Buffer.from(
  "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==",
  "base64",
);
/** The addresses of the pages that are on this device. */
const kept = (page: Page) =>
  page.evaluate(async () => {
    const cache = await caches.open("satchel-student-pages");
    return (await cache.keys()).map(({ url }) => new URL(url).pathname);
  });

test("a school day without a network: opened, answered, photographed, spoken, handed in; and all of it arrives", async ({
  signedIn,
  expectTrouble,
}) => {
  test.slow();
  // Without a network requests fail: that is what this is about.
  expectTrouble(/ERR_INTERNET_DISCONNECTED|ERR_FAILED|Failed to fetch|503|NetworkError|no-response/);
  const ines = await signedIn("Ines Halloran", { at: "about:blank" });
  await giveNow(ines, { words: "the harbour in twelve hours", group: "5 Kittiwake", to: ["Sunniva Dale"] });
  const sunniva = await signedIn("Sunniva Dale", { phone: true, keeps: true });
  // Another class may be led through the same just now.
  const link = sunniva.getByRole("link", { name: /^Begin.*The harbour in twelve hours/ });
  const address = (await link.getAttribute("href"))!;
  await expect.poll(() => kept(sunniva), { timeout: 45_000 }).toContain(address);
  const context = sunniva.context();

  await context.setOffline(true);
  await sunniva.reload();
  await expect(sunniva.getByRole("heading", { name: /Sunniva/ })).toBeVisible();
  const walk = new Walk(sunniva, "work opened without a network", 1);
  await walk.click(link);
  await sunniva.waitForURL(`**${address}`);
  await expect(sunniva.getByRole("button", { name: /^Step 1/ })).toBeVisible();
  walk.done();
  // The film is on the device too.
  await sunniva.getByRole("button", { name: "Play the film" }).click();
  await expect(sunniva.getByRole("group", { name: /^The film waits at/ })).toBeVisible({ timeout: 20_000 });

  await sunniva.getByRole("button", { name: /^Step 2/ }).click();
  const number = sunniva.getByRole("textbox").first();
  await number.fill("372");
  await sunniva.getByRole("button", { name: /^Step 4/ }).click();
  await sunniva.getByLabel("A photograph").setInputFiles({ name: "wall.png", mimeType: "image/png", buffer: picture });
  await expect(sunniva.getByAltText("Photograph 1")).toBeVisible();
  const voice = sunniva.getByRole("group", { name: "my recording" });
  await voice.getByRole("button", { name: "Record" }).click();
  await expect(voice.getByRole("timer")).toContainText(/0:0[1-9] of/);
  await voice.getByRole("button", { name: "Stop" }).click();
  await expect(voice.getByRole("button", { name: "Listen: my recording" })).toBeVisible();
  await expect(sunniva.getByText("Kept here. No network yet")).toBeVisible();

  // The lid is closed and opened again, still without a network: everything is there.
  await sunniva.close();
  const again = await context.newPage();
  await again.goto(address);
  await again.getByRole("button", { name: /^Step 2/ }).click();
  await expect(again.getByRole("textbox").first()).toHaveValue("372");
  await again.getByRole("button", { name: /^Step 4/ }).click();
  await expect(again.getByAltText("Photograph 1")).toBeVisible();
  await again.getByRole("button", { name: "To the end" }).click();
  await again.getByRole("button", { name: "Hand it in" }).click();
  await expect(again.getByText("It will be handed in as soon as the network is back.")).toBeVisible();

  await context.setOffline(false);
  await expect(again.getByRole("heading", { name: "Handed in" })).toBeVisible({ timeout: 30_000 });

  await ines.goto("/results");
  await ines
    .getByRole("button", { name: /The harbour in twelve hours/ })
    .first()
    .click();
  await expect(ines.getByRole("heading", { name: "The harbour in twelve hours", level: 1 })).toBeVisible();
  const row = ines.getByRole("row", { name: /Sunniva Dale/ });
  await row.getByRole("button").last().click();
  await expect(ines.getByRole("button", { name: "Listen: what was said" })).toBeVisible();

  // The browser was closed, which ends being signed in: the next child sees nothing of hers.
  await context.clearCookies();
  await context.setOffline(true);
  await again.goto("/student");
  await expect(again.getByRole("heading", { name: "No network just now" })).toBeVisible();
  await again.goto(address);
  await expect(again.getByText("The harbour in twelve hours")).toHaveCount(0);
});

test("who signs out leaves nothing of hers on a shared tablet", async ({ signedIn }) => {
  const liv = await signedIn("Liv Torsen", { phone: true, keeps: true });
  await expect.poll(() => kept(liv), { timeout: 45_000 }).toContain("/student");
  await liv.getByRole("button", { name: "Go out" }).click();
  await liv.waitForURL(/sign-in/);
  expect(await kept(liv)).toEqual([]);
});
