import { expect, onlyTo, test, write } from "../fixture";
import { nothingSerious } from "../pages/accessible";
import { EditorPage } from "../pages/editor-page";
import { Walk } from "./walk";

test("a child films an answer no longer than the teacher allows, watches it, and the teacher sees it", async ({
  signedIn,
  expectTrouble,
}) => {
  test.slow();
  const ines = await signedIn("Ines Halloran", { at: "about:blank" });
  await new EditorPage(ines).makeNew("Show me a bowline", "Tie it");
  await ines.getByRole("button", { name: "Question …" }).click();
  await ines.getByRole("menuitem", { name: "Record a film", exact: true }).click();
  const question = ines.getByRole("region", { name: "Record a film", exact: true });
  await write(question.getByRole("textbox", { name: "What is asked" }), "Tie a bowline and say what you do.");
  await question.getByLabel("Longest recording (seconds)").fill("5");
  await expect(ines.getByText("Nothing to fix.")).toBeVisible();
  await expect(ines.getByText(/saved \d/)).toBeVisible();
  await ines.getByRole("button", { name: "Publish", exact: true }).click();
  await ines.waitForURL(/satchel/);
  await ines.keyboard.press("a");
  const panel = ines.getByRole("region", { name: "Assign" });
  await panel.getByRole("radio", { name: "now" }).click();
  await onlyTo(panel, "5 Kittiwake", ["Sunniva Dale"]);
  await panel.getByRole("button", { name: "Assign", exact: true }).click();
  await expect(ines.getByText("Assigned to 5 Kittiwake.")).toBeVisible();

  const sunniva = await signedIn("Sunniva Dale", { phone: true });
  await sunniva.getByRole("link", { name: /Begin.*Show me a bowline/ }).click();
  const walk = new Walk(sunniva, "an answer that is filmed", 2);
  await walk.click(sunniva.getByRole("button", { name: "Film", exact: true }));
  await expect(sunniva.getByLabel("What the camera sees")).toBeVisible();
  await expect(sunniva.getByRole("timer")).toHaveText(/0:0[1-4] of 0:05/);
  await walk.click(sunniva.getByRole("button", { name: "Stop" }));
  walk.done();
  const own = sunniva.getByLabel("my film");
  await expect(own).toBeVisible();
  await expect.poll(() => own.evaluate((film: HTMLVideoElement) => film.videoWidth)).toBeGreaterThan(0);
  // Nobody has to watch the clock: it ends by itself.
  await sunniva.getByRole("button", { name: "Film again" }).click();
  await expect(sunniva.getByLabel("What the camera sees")).toBeVisible();
  await expect(own).toBeVisible({ timeout: 12_000 });
  await nothingSerious(sunniva);
  await sunniva.reload();
  await expect(own).toBeVisible();
  // Without a network it waits on the device and is watched from there; then it is sent by itself.
  // Nothing is kept on the device here for times without a network, so the player may ask the server for it before it has been sent.
  expectTrouble(/ERR_INTERNET_DISCONNECTED|Failed to load resource|status: 404 .*\/media\//);
  const before = await own.getAttribute("src");
  await sunniva.context().setOffline(true);
  await sunniva.getByRole("button", { name: "Film again" }).click();
  await expect(sunniva.getByRole("timer")).toHaveText(/0:0[1-4] of 0:05/);
  await sunniva.getByRole("button", { name: "Stop" }).click();
  await expect(own).not.toHaveAttribute("src", before!);
  await sunniva.context().setOffline(false);
  await expect(sunniva.getByText("Kept", { exact: true })).toBeVisible({ timeout: 30_000 });
  const after = await own.getAttribute("src");
  await expect.poll(async () => (await sunniva.request.get(after!)).status(), { timeout: 30_000 }).toBe(200);
  await sunniva.getByRole("button", { name: "To the end" }).click();
  await sunniva.getByRole("button", { name: "Hand it in" }).click();
  await expect(sunniva.getByRole("heading", { name: "Handed in" })).toBeVisible();

  await ines.goto("/results");
  await ines.getByRole("button", { name: /Show me a bowline/ }).click();
  await ines
    .getByRole("button", { name: /^Sunniva Dale/ })
    .first()
    .click();
  const seen = ines.getByLabel("what was filmed");
  await expect(seen).toBeVisible();
  await expect.poll(() => seen.evaluate((film: HTMLVideoElement) => film.videoWidth)).toBeGreaterThan(0);
});
