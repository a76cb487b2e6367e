import { expect, lines, test } from "./fixture";

test("look-alikes are folded under two of them, and unfold with one press; the count is the same", async ({
  signedIn,
}) => {
  const page = await signedIn("Ines Halloran", { at: "/find?words=weather+log" });
  const more = page.getByRole("button", { name: /\d+ more like this/ }).first();
  const count = Number(/\d+/.exec(await more.innerText())![0]);
  expect(count).toBeGreaterThan(3);
  const total = await page.getByRole("list", { name: "How it was narrowed" }).innerText();
  await more.click();
  await expect(more).toHaveAttribute("aria-expanded", "true");
  await expect(lines(page).filter({ hasText: "Weather log of" }).nth(4)).toBeVisible();
  expect(await page.getByRole("list", { name: "How it was narrowed" }).innerText()).toBe(total);
});

test("hurried words find something", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  for (const [typed, found] of [
    ["pufin", /puffin/i],
    ["fracshuns", /fraction/i],
    ["i need something about volcanoes for my grade 6 class", /volcano/i],
    ["reading a tide table", /^Reading a tide table/],
    ["the ferry timetable", /ferry timetable/i],
    ["tiburones", /shark/i],
  ] as const) {
    await page.goto(`/find?words=${encodeURIComponent(typed)}`);
    await expect(lines(page).first()).toContainText(found);
  }
  // A good English word the library has not is no slip of another.
  await page.goto("/find?words=zeppelin");
  await expect(page.getByText("Showing")).toHaveCount(0);
});
