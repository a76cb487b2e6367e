import { expect, lines, test } from "../fixture";
import { Walk } from "./walk";

test("what the words were taken for is shown, and is words again with one press", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  const words = page.getByLabel("About: words to look for");
  const walk = new Walk(page, "one word of the need taken as a word again", 2);
  await walk.key("/");
  await walk.type("kelp quiz grade 5");
  await expect(page.getByText("Only quizzes.")).toBeVisible();
  await expect(page.getByText("For grade 5.")).toBeVisible();
  await walk.click(page.getByRole("button", { name: /these words instead: Only quizzes/ }));
  await expect(words).toHaveValue('kelp "quiz" grade 5');
  await expect(page.getByText("Only quizzes.")).toBeHidden();
  walk.done();
});

test("look-alikes are folded under two of them, and unfold with one press; the count is the same", async ({
  signedIn,
}) => {
  const page = await signedIn("Ines Halloran");
  await page.goto("/find?words=weather+log");
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

test("a colleague's activity becomes her own, without the colleague's voice", async ({ signedIn }) => {
  const page = await signedIn("Judit Varga");
  await page.goto("/find?words=the+harbour+in+twelve+hours");
  await expect(page.getByRole("heading", { name: "The harbour in twelve hours" })).toBeVisible();
  const walk = new Walk(page, "a copy without any voice", 3);
  await walk.key("e");
  await walk.click(page.getByRole("button", { name: "Copy it without any voice" }));
  await page.waitForURL(/\/adapt\/\d+/);
  walk.done();
  await expect(page.getByText("Nothing to fix.")).toBeVisible();
});
