import { expect, test } from "../fixture";
import { EditorPage } from "../pages/editor-page";

const WORD = "Harbourlanternkeepersassociationmidwinterprocessionbannerpole";
const TITLE =
  `${WORD} ${"and everything that a harbour master writes down in the course of one long day ".repeat(2)}`.trim();

test("names as long as they may be: nothing is pushed off a page, and all of it can be read somewhere", async ({
  signedIn,
}) => {
  const page = await signedIn("Ines Halloran", { at: "about:blank" });
  await new EditorPage(page).makeNew(TITLE, TITLE);
  await page.getByRole("button", { name: "Text", exact: true }).click();
  await expect(page.getByText(/saved \d/)).toBeVisible();
  const editor = page.url();
  await page.getByRole("button", { name: "Publish", exact: true }).click();
  await page.waitForURL(/satchel/);
  await page.getByRole("navigation", { name: "Pockets" }).getByRole("button", { name: "New pocket" }).click();
  await page.getByLabel("Name of the new pocket").fill(TITLE.slice(0, 60));
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: TITLE.slice(0, 60).trim() }).first()).toBeVisible();

  const words = encodeURIComponent(WORD);
  for (const width of [1280, 1024, 390]) {
    await page.setViewportSize({ width, height: 800 });
    for (const path of ["/satchel", `/find?words=${words}`, "/plan?view=list", "/plan", editor]) {
      // The editor is for larger screens.
      if (path === editor && width < 1000) continue;
      await page.goto(path);
      await page.waitForLoadState("networkidle");
      const over = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
      expect(`${path} at ${width}: ${over > 0 ? `${over} too wide` : "fits"}`).toBe(`${path} at ${width}: fits`);
    }
  }
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(`/find?words=${words}`);
  await expect(page.getByRole("article").getByRole("heading", { level: 1 })).toContainText("one long day");
});
