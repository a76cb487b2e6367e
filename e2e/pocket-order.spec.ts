import { expect, test } from "./fixture";

test("what lies in a pocket is put in order with keys and by carrying, and stays so", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran", { at: "/satchel" });
  const pockets = page.getByRole("navigation", { name: "Pockets" });
  await pockets.getByRole("button", { name: /^Tides, term 1/ }).click();
  const list = page.getByRole("list", { name: "Tides, term 1" });
  const titles = async () =>
    (await list.getByRole("checkbox").evaluateAll((boxes) => boxes.map((box) => box.getAttribute("aria-label")))).map(
      (name) => name!.replace("Tick ", ""),
    );
  await expect(list.getByRole("listitem")).toHaveCount(3);
  const [first, second, third] = (await titles()) as [string, string, string];

  await list.getByRole("button", { name: first }).first().click();
  await page.waitForURL(/open=/);
  await page.keyboard.press("J");
  await expect(page.getByText(`“${first}” is number 2 now.`)).toBeVisible();
  await expect.poll(titles).toEqual([second, first, third]);
  await page.reload();
  await expect.poll(titles).toEqual([second, first, third]);
  await page.keyboard.press("K");
  await expect.poll(titles).toEqual([first, second, third]);
  // Shown at once; it can be taken back when it has been kept.
  await expect(page.getByText(`“${first}” is number 1 now.`)).toBeVisible();
  await page.keyboard.press("u");
  await expect.poll(titles).toEqual([second, first, third]);

  const grip = page.getByTitle(`Carry “${third}” to a lesson or a pocket`).first();
  const onto = list.getByRole("listitem").first();
  const [from, to] = [(await grip.boundingBox())!, (await onto.boundingBox())!];
  await page.mouse.move(from.x + 5, from.y + 5);
  await page.mouse.down();
  await page.mouse.move(from.x + 30, from.y - 20, { steps: 4 });
  await page.mouse.move(to.x + 60, to.y + 20, { steps: 6 });
  await page.mouse.up();
  await expect.poll(titles).toEqual([third, second, first]);
});

test("standards chosen in the tree are still chosen after looking at what covers them", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran", { at: "/find/standards" });
  await page
    .getByRole("checkbox", { name: /^Choose MA\.\d/ })
    .first()
    .click();
  await expect(page.getByRole("heading", { name: "1 chosen" })).toBeVisible();
  await page.getByRole("button", { name: "Show what covers it" }).click();
  await page.waitForURL(/\/find\?standard=/);
  await page.goBack();
  await expect(page.getByRole("heading", { name: "1 chosen" })).toBeVisible();
});
