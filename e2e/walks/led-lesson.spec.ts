import type { Page } from "@playwright/test";
import { expect, test } from "../fixture";
import { nothingSerious } from "../pages/accessible";
import { LeadPage } from "../pages/lead-page";
import { Walk } from "./walk";

/** Comes in by the code on the board and chooses a name. */
async function joined(page: Page, address: string, name: string): Promise<Page> {
  page.setDefaultTimeout(15_000);
  await page.goto(address);
  await page.getByRole("button", { name: "Come in" }).click();
  await page.getByRole("button", { name: new RegExp(`^${name} `) }).click();
  await page.waitForURL(/\/student\/\d+/);
  return page;
}

const heading = (page: Page, name: string) => page.getByRole("heading", { name, level: 2, exact: true });

test("a lesson is led from the lobby to the end: a teacher, a board and six children", async ({
  signedIn,
  browser,
  expectTrouble,
}) => {
  test.slow();
  // A child's network is gone for a while; the line of the lesson is lost with it.
  expectTrouble(/ERR_INTERNET_DISCONNECTED|ERR_NETWORK_CHANGED|Failed to load resource/);
  const ines = await signedIn("Ines Halloran");
  ines.setDefaultTimeout(15_000);
  const lesson = new LeadPage(ines, "Reading a tide table");
  await lesson.find();

  const walk = new Walk(ines, "lead a lesson from the light table", 2);
  await lesson.lead(walk);
  const { assignment } = lesson;
  await lesson.expectIn(0);
  const board = await lesson.openBoard();
  const code = await board.locator("p.numbers").innerText();

  // Two with their cards, who find the lesson on their first page; four by the code on the board.
  const cards = [await signedIn("Sunniva Dale", { phone: true }), await signedIn("Liv Torsen")];
  for (const page of cards) await lesson.join(page);
  const byCode = [];
  for (const name of ["Ravn", "Mei", "Aisha", "Finn"]) {
    const page = await (await browser.newContext()).newPage();
    const origin = new URL(ines.url()).origin;
    byCode.push(await joined(page, `${origin}/join?code=${encodeURIComponent(code)}&to=${assignment}`, name));
  }
  const children = [...cards, ...byCode];
  for (const page of children) page.setDefaultTimeout(15_000);
  const [sunniva, liv, ravn, mei] = children as [Page, Page, Page, Page];
  await lesson.expectIn(6);
  for (const page of children) await expect(page.getByText("Your lesson is about to begin")).toBeVisible();
  await nothingSerious(ines);
  await walk.key("Enter");
  walk.done();

  const everywhere = async (title: string) => {
    for (const page of [...children, board]) await expect(heading(page, title)).toBeVisible();
  };
  await everywhere("Why tides matter");
  // Answers and notes are hers alone.
  await expect(ines.getByText("Ask who has waited for a ferry")).toBeVisible();
  for (const page of [board, sunniva]) await expect(page.getByText("Ask who has waited for a ferry")).toHaveCount(0);
  await nothingSerious(ines);
  await nothingSerious(board);
  await nothingSerious(sunniva);

  const go = new Walk(ines, "go on, all eyes up and down, and ask a question on the spot", 6);
  await go.key("ArrowRight");
  await everywhere("When is high water?");
  await go.key("y");
  for (const page of children) await expect(page.getByText("All eyes up")).toBeVisible();
  await go.key("y");
  for (const page of children) await expect(page.getByText("All eyes up")).toHaveCount(0);
  await go.key("q");
  await go.type("Have you read a tide table?");
  await go.key("Enter");
  go.done();
  for (const [page, said] of [
    [sunniva, "yes"],
    [liv, "yes"],
    [ravn, "no"],
  ] as const)
    await page.getByRole("button", { name: said, exact: true }).click();
  await expect(ines.getByText("3 of 22 have answered")).toBeVisible();
  await ines.getByRole("button", { name: "Close and show answers" }).click();
  await expect(board.getByText("What the class chose")).toBeVisible();
  await expect(mei.getByText("3 have answered")).toBeVisible();
  await ines.getByRole("button", { name: "Remove" }).click();

  // What a child answers arrives; a child who is stuck is seen, and helped.
  await ines.keyboard.press("ArrowLeft");
  await everywhere("Why tides matter");
  await liv.getByText("near high water", { exact: true }).click();
  await expect(ines.getByText("Answered 1 of 22")).toBeVisible();
  await sunniva.getByRole("button", { name: "I am stuck" }).click();
  await ines.getByRole("button", { name: /^Sunniva is stuck/ }).click();
  await sunniva.getByLabel("Write to your teacher about this step").fill("What is a keel?");
  await sunniva.getByLabel("Write to your teacher about this step").press("Enter");
  await expect(ines.getByText("What is a keel?")).toBeVisible();
  await ines.getByLabel("A note to Sunniva Dale").fill("The lowest part of a boat");
  await ines.getByLabel("A note to Sunniva Dale").press("Enter");
  await expect(sunniva.getByText("The lowest part of a boat")).toBeVisible();
  await ines.getByRole("button", { name: "Helped" }).click();
  await expect(ines.getByText("Sunniva is stuck")).toHaveCount(0);
  await ines.getByRole("region", { name: "Sunniva Dale" }).getByRole("button", { name: "Close" }).click();

  // The answer is shown to all, by one key, and the name to nobody.
  await ines.keyboard.press("r");
  for (const page of [board, mei]) await expect(page.getByText("The right answer")).toBeVisible();

  // A timer for everybody.
  await ines.getByRole("button", { name: "Timer …" }).click();
  await ines.getByRole("menuitem", { name: "2 minutes" }).click();
  for (const page of [board, ravn]) await expect(page.getByRole("timer")).toContainText(/1:5\d|2:00/);

  // Pace twice: free, a child goes ahead; together again, all are with the class.
  await ines.getByRole("radio", { name: "free" }).click();
  await expect(ravn.getByText("At your own pace")).toBeVisible();
  await ravn.getByRole("button", { name: "Next", exact: true }).click();
  await expect(heading(ravn, "When is high water?")).toBeVisible();
  await ines.getByRole("radio", { name: "up to here" }).click();
  await expect(heading(ravn, "When is high water?")).toBeVisible();
  await expect(ravn.getByRole("button", { name: "Wait …" })).toBeDisabled();
  await ines.getByRole("radio", { name: "together" }).click();
  await expect(heading(ravn, "Why tides matter")).toBeVisible();

  // A network that is lost: what is answered waits on the device, and arrives when it is back.
  await mei.context().setOffline(true);
  await mei.getByText("at noon", { exact: true }).click();
  await ines.keyboard.press("ArrowRight");
  await expect(heading(liv, "When is high water?")).toBeVisible();
  await mei.context().setOffline(false);
  await expect(heading(mei, "When is high water?")).toBeVisible({ timeout: 20_000 });
  await ines.keyboard.press("ArrowLeft");
  await expect(ines.getByText("Answered 2 of 22")).toBeVisible({ timeout: 20_000 });

  // Her laptop is started anew, and a colleague takes over from another.
  await ines.reload();
  await expect(ines.getByText("Answered 2 of 22")).toBeVisible();
  await expect(ines.getByRole("radio", { name: "together" })).toBeChecked();
  const rona = await signedIn("Rona Sundin", { at: `/lead/${assignment}` });
  await rona.keyboard.press("ArrowRight");
  await everywhere("When is high water?");
  await expect(ines.getByText("Rona Sundin leads since")).toBeVisible();

  await ines.getByRole("button", { name: "End the lesson …" }).click();
  await expect(ines.getByRole("row", { name: /Why tides matter 6 of 22/ })).toBeVisible();
  await nothingSerious(ines);
  await ines.getByRole("button", { name: "They go on at their own pace" }).click();
  await ines.waitForURL(/\/results/);
  await expect(liv.getByText("is leading")).toHaveCount(0);
  await liv.getByRole("button", { name: "Next", exact: true }).click();
  await expect(heading(liv, "Order the day")).toBeVisible();
  for (const page of byCode) await page.context().close();
});
