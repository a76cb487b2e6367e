import { expect, test } from "../fixture";

/** Web Vitals call up to 0.1 good; here nothing may be felt to move. */
const MOST_SHIFT = 0.02;

const pages: [name: string, path: string][] = [
  ["find", "/find"],
  ["results of find", "/find?words=tides"],
  ["standards", "/find/standards"],
  ["satchel", "/satchel"],
  ["plan", "/plan"],
  ["list of work", "/plan?view=list"],
  ["classes", "/classes"],
  ["results", "/results"],
];

test("nothing jumps while a page arrives, nor while something is opened on it", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran", { unused: true });
  await page.addInitScript(() => {
    const kept = window as unknown as { shift: number; moved: string[] };
    kept.shift = 0;
    kept.moved = [];
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries() as unknown as {
        value: number;
        hadRecentInput: boolean;
        sources: { node: Element | null }[];
      }[]) {
        if (entry.hadRecentInput) continue;
        kept.shift += entry.value;
        for (const { node } of entry.sources) kept.moved.push((node?.textContent ?? "").slice(0, 40));
      }
    }).observe({ type: "layout-shift", buffered: true });
  });
  const shift = () => page.evaluate(() => (window as unknown as { shift: number }).shift);
  const moved = () => page.evaluate(() => (window as unknown as { moved: string[] }).moved.slice(0, 5));
  for (const [name, path] of pages) {
    await page.goto(path);
    await page.waitForLoadState("networkidle");
    expect([name, await shift(), await moved()]).toEqual([name, expect.any(Number), expect.anything()]);
    const value = await shift();
    expect(`${name}: ${value <= MOST_SHIFT ? "steady" : `${value} ${(await moved()).join(" | ")}`}`).toBe(
      `${name}: steady`,
    );
  }
  // Something is opened beside the list: the keys say what, so that the browser counts every shift of it.
  await page.goto("/find?words=tides");
  await page.waitForLoadState("networkidle");
  await page.keyboard.press("j");
  await expect(page.getByRole("article")).toBeVisible();
  await page.waitForTimeout(700);
  expect(await shift()).toBeLessThanOrEqual(MOST_SHIFT);
});

test("ticks, the line typed and what the form says are there again after a reload", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran", { unused: true, at: "/satchel" });
  for (const title of ["Storm words", "The keeper's letter"])
    // Another walk may have made a version of it.
    await page
      .getByRole("checkbox", { name: new RegExp(title) })
      .first()
      .click();
  await page.keyboard.press("a");
  const panel = page.getByRole("region", { name: "Assign" });
  await panel.getByRole("combobox").or(panel.getByRole("textbox")).first().fill("kittiwake, 2 tries");
  await expect(page).toHaveURL(/ticked=\d+%2C\d+.*line=/);
  await page.reload();
  await expect(page.getByText("2 ticked")).toBeVisible();
  await expect(panel.getByRole("status", { name: "In words" })).toContainText("2 tries");
  await panel.getByRole("button", { name: "Cancel" }).click();
  await expect(page).not.toHaveURL(/line=/);
});
