import type { CDPSession, Locator } from "@playwright/test";
import { expect, test } from "../fixture";
import { SatchelPage } from "../pages/satchel-page";

const middle = async (of: Locator) => {
  const box = (await of.boundingBox())!;
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
};

const pause = (ms: number) => new Promise((rest) => setTimeout(rest, ms));

/** A finger put down, held for a moment, moved and lifted. */
async function dragByFinger(touch: CDPSession, from: { x: number; y: number }, to: { x: number; y: number }) {
  const point = (at: { x: number; y: number }) => [{ x: at.x, y: at.y, id: 1 }];
  await touch.send("Input.dispatchTouchEvent", { type: "touchStart", touchPoints: point(from) });
  await pause(250);
  for (let step = 1; step <= 12; step += 1) {
    await touch.send("Input.dispatchTouchEvent", {
      type: "touchMove",
      touchPoints: point({
        x: from.x + ((to.x - from.x) * step) / 12,
        y: from.y + ((to.y - from.y) * step) / 12,
      }),
    });
    await pause(20);
  }
  await pause(150);
  await touch.send("Input.dispatchTouchEvent", { type: "touchEnd", touchPoints: [] });
}

test("on a tablet, by finger: from the list, the light table and the editor onto a lesson", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran", { tablet: true });
  const touch = await page.context().newCDPSession(page);
  const panel = page.getByRole("region", { name: "Assign" });
  const lesson = page.getByRole("group", { name: "Lessons" }).getByRole("button").nth(2);
  const grips = page.getByTitle("Carry “Buoys on a grid” to a lesson or a pocket");

  await page.goto("/find?words=buoys+on+a+grid");
  await expect(grips).toHaveCount(2);
  for (const place of [0, 1]) {
    await page.waitForLoadState("networkidle");
    await dragByFinger(touch, await middle(grips.nth(place)), await middle(lesson));
    await expect(panel.getByRole("radio", { name: "at a lesson" })).toBeChecked();
    await panel.getByRole("button", { name: "Cancel" }).click();
    await expect(panel).toBeHidden();
  }

  // The editor keeps the lessons folded until they are asked for.
  const satchel = new SatchelPage(page);
  await satchel.open("Ferry fares");
  await satchel.edit();
  await page.getByRole("button", { name: "Lessons of the next two weeks" }).click();
  await page.waitForLoadState("networkidle");
  const own = page.getByTitle("Carry “Ferry fares” to a lesson or a pocket");
  await dragByFinger(touch, await middle(own), await middle(lesson));
  await expect(page).toHaveURL(/do=assign/);
  await expect(panel.getByRole("radio", { name: "at a lesson" })).toBeChecked();
});
