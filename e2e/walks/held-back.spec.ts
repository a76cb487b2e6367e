import type { Page } from "@playwright/test";
import { expect, test } from "../fixture";
import { nothingSerious } from "../pages/accessible";
import { Walk } from "./walk";

/** To the step of “Kelp under glass” where something is written. */
async function toTheWriting(page: Page): Promise<void> {
  await page.getByRole("link", { name: /(Begin|Go on|Change it).*Kelp under glass/ }).click();
  await page.getByRole("button", { name: /^Step 3/ }).click();
  await expect(page.getByText("How would you make the test fairer?")).toBeVisible();
}
const show = (page: Page) => page.getByRole("button", { name: /^Show it/ });

test("work is held back, sent back, corrected and shown to the class", async ({ signedIn }) => {
  test.slow();
  const sunniva = await signedIn("Sunniva Dale", { phone: true });
  await toTheWriting(sunniva);
  await sunniva.getByRole("button", { name: "See what the others made" }).click();
  await expect(sunniva.getByText("Show yours first. Then you can see what the others made.")).toBeVisible();
  await sunniva.getByRole("textbox").last().fill("Be fair.");
  await show(sunniva).click();
  await expect(sunniva.getByText("Ines Halloran will look at it. You can carry on.")).toBeVisible();
  await nothingSerious(sunniva);
  // The others' pieces, with a reply to each, fit on a phone.
  await expect(sunniva.getByRole("article").first()).toBeVisible();
  expect(await sunniva.evaluate(() => window.innerWidth)).toBe(sunniva.viewportSize()!.width);
  await sunniva.getByRole("button", { name: "To the end" }).click();
  await sunniva.getByRole("button", { name: "Hand it in" }).click();
  await expect(sunniva.getByRole("heading", { name: "Handed in" })).toBeVisible();

  const ines = await signedIn("Ines Halloran");
  await ines.getByRole("link", { name: /^Waiting/ }).click();
  const list = ines.getByRole("region", { name: "List" });
  await expect(list.getByRole("listitem").nth(5)).toBeVisible();
  const waiting = await list.getByRole("listitem").count();
  // What has waited longest is on top; each piece takes a phrase and a decision.
  const walk = new Walk(ines, "look at five pieces of work, two keys each", 10);
  const began = Date.now();
  for (let left = waiting; left > waiting - 5; left -= 1) {
    await expect(list.getByRole("listitem")).toHaveCount(left);
    await walk.key("1");
    await expect(ines.getByRole("textbox", { name: /^What I say to/ })).toHaveValue("You looked closely.");
    await walk.key("a");
  }
  walk.done();
  // Thirty in two minutes is four seconds each.
  expect((Date.now() - began) / 5).toBeLessThan(4_000);
  await ines.keyboard.press("u");
  await expect(list.getByRole("listitem")).toHaveCount(waiting - 4);

  await list.getByRole("button", { name: /^Sunniva Dale/ }).click();
  await ines.keyboard.press("b");
  await expect(ines.getByRole("alert").filter({ hasText: "before you send it back" })).toBeVisible();
  await ines.keyboard.type("What would you change?");
  await ines.keyboard.press("Escape");
  await ines.keyboard.press("p");
  const paper = ines.getByRole("region", { name: "The piece" }).locator("svg.cursor-crosshair");
  const box = (await paper.boundingBox())!;
  await ines.mouse.move(box.x + 20, box.y + 20);
  await ines.mouse.down();
  await ines.mouse.move(box.x + 120, box.y + 25, { steps: 4 });
  await ines.mouse.up();
  await expect(ines.getByText("One line on the work will be sent too.")).toBeVisible();
  await nothingSerious(ines);
  await ines.keyboard.press("b");
  await expect(list.getByRole("button", { name: /^Sunniva Dale/ })).toHaveCount(0);

  // It has left the list at once; the decision itself is told when it has come back.
  await expect(ines.getByText("Sent back: Sunniva Dale.")).toBeVisible();
  // It stands at the top of her first page, and is open though she handed it in.
  await sunniva.goto("/student");
  await expect(sunniva.getByText("Ines Halloran sent something back")).toBeVisible();
  await sunniva.getByRole("link", { name: /^Change it.*Kelp under glass/ }).click();
  await expect(sunniva.getByText("What would you change?")).toBeVisible();
  const field = sunniva.getByRole("textbox").last();
  await expect(field).toHaveValue("Be fair.");
  await expect(show(sunniva)).toHaveCount(0);
  await field.fill("Three tries for each surface, and the same pull.");
  await show(sunniva).click();
  await expect(sunniva.getByText("Ines Halloran will look at it. You can carry on.")).toBeVisible();
  await sunniva.reload();
  await sunniva.getByRole("button", { name: "Look at my answers" }).click();
  await sunniva.getByRole("button", { name: /^Step 3/ }).click();
  await expect(field).not.toBeEditable();

  await ines.reload();
  await list.getByRole("button", { name: /^Sunniva Dale.*again/ }).click();
  await ines.keyboard.press("v");
  const piece = ines.getByRole("region", { name: "The piece" });
  await expect(piece.getByText("Be fair.")).toBeVisible();
  await expect(piece.getByText("Three tries for each surface")).toBeVisible();
  await ines.keyboard.press("a");

  // A classmate who has sent his own sees it, and replies; the reply waits as well.
  const odd = await signedIn("Odd Marwen", { phone: true });
  await toTheWriting(odd);
  await odd.getByRole("textbox").last().fill("Ask somebody else to pull.");
  await show(odd).click();
  await odd.getByRole("button", { name: "See what the others made" }).click();
  const hers = odd.getByRole("article", { name: "Sunniva D." });
  await expect(hers.getByText("Three tries for each surface")).toBeVisible();
  await expect(odd.getByText("What would you change?")).toHaveCount(0);
  await hers.getByLabel("Write to Sunniva D.").fill("Three is good!");
  await hers.getByLabel("Write to Sunniva D.").press("Enter");
  await expect(hers.getByText("Your teacher looks at this first.")).toBeVisible();
  await nothingSerious(odd);
  await ines.reload();
  await list.getByRole("button", { name: /^Odd Marwen.*reply to Sunniva Dale/ }).click();
  await ines.keyboard.press("a");
  await expect(list.getByRole("button", { name: /reply to Sunniva Dale/ })).toHaveCount(0);
  await sunniva.getByRole("button", { name: "See what the others made" }).click();
  await expect(sunniva.getByText("Three is good!")).toBeVisible();
});

test("who sees it is said while assigning, in the sentence that goes out", async ({ signedIn }) => {
  const ines = await signedIn("Ines Halloran", { at: "/find?words=why+the+tide+comes+twice" });
  await ines.getByRole("button", { name: "Why the tide comes twice" }).first().click();
  await ines.keyboard.press("a");
  await ines.getByRole("button", { name: /^How often/ }).click();
  await ines
    .getByRole("radiogroup", { name: "I look at it first" })
    .getByRole("radio", { name: "at everything" })
    .click();
  await ines
    .getByRole("radiogroup", { name: "Classmates see it" })
    .getByRole("radio", { name: "after their own" })
    .click();
  await expect(
    ines.getByText(
      /you see what they write, draw or say before anyone else does and classmates see it after sending their own/,
    ),
  ).toBeVisible();
  await ines.getByRole("checkbox", { name: "Put it away when it is handed in" }).click();
  await expect(ines.getByText(/it is put away when handed in/)).toBeVisible();
  await expect(ines.getByText(/classmates see it/)).toHaveCount(0);
});
