import type { Page } from "@playwright/test";
import { expect, test } from "../fixture";
import { LeadPage } from "../pages/lead-page";
import { Walk } from "./walk";

const film = (page: Page) => page.locator("video").first();
const runs = (page: Page) => film(page).evaluate((one: HTMLVideoElement) => !one.paused);
const second = (page: Page) => film(page).evaluate((one: HTMLVideoElement) => one.currentTime);

test("a film runs on the board alone, or is started together on every screen; who comes late is where the others are", async ({
  signedIn,
}) => {
  test.slow();
  const ines = await signedIn("Ines Halloran");
  const lesson = new LeadPage(ines, "The harbour in twelve hours");
  await lesson.find();
  await lesson.lead();
  const joined = async (name: string) => {
    const child = await signedIn(name, { phone: true });
    await lesson.join(child);
    return child;
  };
  const [sunniva, liv] = [await joined("Sunniva Dale"), await joined("Liv Torsen")];
  await lesson.expectIn(2);
  const board = await lesson.openBoard();
  await lesson.begin();

  for (const child of [sunniva, liv]) {
    await expect(child.getByText("Look at the board. The film runs there.")).toBeVisible();
    await expect(child.locator("video")).toHaveCount(0);
  }
  await expect(film(board)).toBeVisible();

  const walk = new Walk(ines, "a film started together on every screen", 2);
  await walk.click(ines.getByRole("radio", { name: "every screen" }));
  await walk.click(ines.getByRole("button", { name: "Start together" }));
  walk.done();
  const apart = async () => {
    const [one, other] = await Promise.all([second(sunniva), second(liv)]);
    return Math.abs(one - other);
  };
  // Three films at once take a loaded machine a while to begin; by then the first may wait at its first question.
  const begun = (page: Page) => expect.poll(() => second(page), { timeout: 30_000 }).toBeGreaterThan(0);
  await Promise.all([sunniva, liv, board].map(begun));
  await expect.poll(apart).toBeLessThan(1.5);

  // A reload, as after a dead battery: it goes on where the class is, not at the beginning.
  await expect.poll(() => second(sunniva)).toBeGreaterThan(3);
  await liv.reload();
  await expect.poll(() => second(liv), { timeout: 30_000 }).toBeGreaterThan(2.5);
  await expect.poll(apart).toBeLessThan(1.5);

  await ines.getByRole("button", { name: "Stop", exact: true }).click();
  for (const page of [sunniva, liv, board]) await expect.poll(() => runs(page)).toBe(false);
  await ines.getByRole("button", { name: "End the lesson …" }).click();
});
