import { expect, lines, lookFor, test } from "./fixture";

test("a teacher narrows thousands to a few, and every number on the way is a way back", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  const trail = page.getByRole("list", { name: "How it was narrowed" });
  await expect(trail).toContainText("in all");

  await lookFor(page, "tide");
  await page.getByRole("button", { name: "Grade: any grade" }).click();
  const grades = page.getByRole("listbox", { name: "Grade" });
  const promised = await grades.getByRole("option", { name: /Grade 5/ }).innerText();
  await grades.getByRole("option", { name: /Grade 5/ }).click();
  // What the blank promised is what is left.
  await expect(trail.getByRole("listitem").last()).toContainText(promised.match(/[\d,]+$/)![0]);
  await grades.getByRole("option", { name: /Grade 4/ }).click();
  await page.keyboard.press("Escape");

  await page.getByRole("button", { name: "Subject: any subject" }).click();
  await page.getByRole("option", { name: /Mathematics/ }).click();
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Length: any time" }).click();
  await page.getByRole("option", { name: /Up to 30/ }).click();
  await expect(trail.getByRole("listitem")).toHaveCount(5);
  await expect(lines(page).first()).toContainText("Reading a tide table");
  await expect(page).toHaveURL(/words=tide.*grades=4%2C5.*subject=mathematics.*minutes=30/);

  // Back over the trail, and back with the browser.
  await trail.getByRole("button", { name: /tide/ }).click();
  await expect(trail.getByRole("listitem")).toHaveCount(2);
  await page.goBack();
  await expect(trail.getByRole("listitem")).toHaveCount(5);
});

test("she looks a lesson over: skims it, then does it as a student would, and nothing is kept of that", async ({
  signedIn,
}) => {
  const page = await signedIn("Ines Halloran");
  await lookFor(page, "reading a tide table");
  await lines(page).getByRole("button", { name: "Reading a tide table" }).click();
  await expect(page.getByRole("heading", { name: "Reading a tide table", level: 1 })).toBeVisible();
  await page
    .getByRole("list", { name: "Steps" })
    .getByRole("button", { name: /When is high water/ })
    .click();

  const aside = page.getByRole("complementary", { name: "For the teacher" });
  await expect(aside).toContainText("12 h 25 min (1 either way)");
  await expect(aside).toContainText("forget the minutes");
  await expect(page.getByRole("button", { name: "Check" })).toHaveCount(0);

  await page.keyboard.press("w");
  await page.getByLabel("h", { exact: true }).first().fill("12");
  await page.getByLabel("min", { exact: true }).first().fill("15");
  await page.getByRole("button", { name: "Check" }).first().click();
  await expect(page.getByText("Partly right: 1 of 2")).toBeVisible();
  await page.getByLabel("min", { exact: true }).first().fill("26");
  await page.getByRole("button", { name: "Check" }).first().click();
  await expect(page.getByRole("status").filter({ hasText: "Right" })).toBeVisible();

  await page.reload();
  await expect(page.getByLabel("h", { exact: true }).first()).toHaveValue("");
  await expect(page).toHaveURL(/step=2.*mode=work|mode=work.*step=2/);
});

test("she packs it, undoes it with a key, packs it again, and it has brass in the list", async ({ signedIn }) => {
  const page = await signedIn("Mercy Adeyemi");
  await lookFor(page, "sea song");
  await expect(lines(page).first()).toContainText("The beat of a sea song");
  await page.getByRole("button", { name: "Pack" }).click();
  await expect(page.getByText("Packed “The beat of a sea song”.")).toBeVisible();
  await expect(lines(page).first()).toContainText("in my satchel");
  await page.keyboard.press("u");
  await expect(page.getByRole("button", { name: "Pack" })).toBeVisible();
  await expect(lines(page).first()).not.toContainText("in my satchel");
  await page.keyboard.press("p");
  await expect(page.getByRole("button", { name: "In my satchel" })).toBeVisible();
  await page.getByRole("link", { name: "Satchel", exact: true }).click();
  await expect(page.getByRole("button", { name: "The beat of a sea song" })).toBeVisible();
});

test("a misspelt word finds what was meant and says so; a word nobody wrote says which blank to loosen", async ({
  signedIn,
}) => {
  const page = await signedIn("Ines Halloran");
  await page.getByLabel("About: words to look for").fill("lighthuose signals");
  await expect(page.getByText("Showing")).toContainText("lighthouse signals");
  await expect(lines(page).first()).toContainText("Lighthouse signals");
  await page.getByRole("button", { name: "Use this spelling" }).click();
  await expect(page.getByLabel("About: words to look for")).toHaveValue("lighthouse signals");

  await page.goto("/find?words=xqzzvw&grades=4");
  await expect(page.getByRole("heading", { name: "No results for all of this" })).toBeVisible();
  await page.getByRole("button", { name: "xqzzvw", exact: true }).click();
  await expect(lines(page).first()).toBeVisible();
});

test("what belongs to the other school's staffroom is not found, not counted, and not there by its address", async ({
  signedIn,
}) => {
  const judit = await signedIn("Judit Varga");
  await lookFor(judit, "loss of the morning star");
  await expect(lines(judit).first()).toContainText("The loss of the Morning Star");
  await lines(judit).first().getByRole("button").click();
  await expect(judit).toHaveURL(/open=\d+/);
  const id = /open=(\d+)/.exec(judit.url())![1];

  const ines = await signedIn("Ines Halloran");
  await ines.getByLabel("About: words to look for").fill('"morning star"');
  await expect(ines.getByRole("heading", { name: "No results for all of this" })).toBeVisible();
  await ines.goto(`/find?open=${id}`);
  await expect(ines.getByRole("heading", { name: "This is not here" })).toBeVisible();
});

test("columns can be sorted, and more can be shown", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  await page.getByRole("button", { name: "Min", exact: true }).click();
  await expect(page).toHaveURL(/sort=minutes/);
  await expect(page.getByRole("region", { name: "What was found" })).toHaveAttribute("aria-busy", "false");
  const minutes = await lines(page).evaluateAll((rows) =>
    rows.map((row) => Number(row.querySelectorAll(".numbers")[1]?.textContent)),
  );
  expect(minutes).toEqual([...minutes].sort((a, b) => a - b));
  await page.getByRole("button", { name: "Show more" }).click();
  await expect(page.getByText("120 of")).toBeVisible();
  // More lines, and she is where she was.
  await expect(page.getByRole("button", { name: "Show more" })).not.toBeInViewport();
  await expect(lines(page).first()).not.toHaveAttribute("aria-posinset", "1");
  // Only the lines in sight are there; which they are of how many is said, and the keys go through all of them.
  expect(await lines(page).count()).toBeLessThan(40);
  await expect(lines(page).first()).toHaveAttribute("aria-setsize", "120");
  await page.getByRole("list", { name: "Results" }).evaluate((list) => (list.parentElement!.scrollTop = 0));
  for (let line = 1; line < 30; line += 1) await page.keyboard.press("j");
  await expect(lines(page).locator("[aria-current]")).toBeInViewport();
  await expect(lines(page).filter({ has: page.locator("[aria-current]") })).toHaveAttribute("aria-posinset", "30");
});

test("letters typed quickly all stay, results follow the last one, and going back brings the words back", async ({
  signedIn,
}) => {
  const page = await signedIn("Ines Halloran");
  const box = page.getByLabel("About: words to look for");
  const trail = page.getByRole("list", { name: "How it was narrowed" });
  for (const words of ["lantern", "map scale", "timetable", "harbour"]) {
    await box.fill("");
    await box.pressSequentially(words, { delay: 45 });
    await expect(box).toHaveValue(words);
    await expect(trail).toContainText(words);
    await expect(box).toHaveValue(words);
  }
  await page.getByRole("button", { name: "Grade: any grade" }).click();
  await page.getByRole("option", { name: /Grade 5/ }).click();
  await page.keyboard.press("Escape");
  await expect(trail).toContainText("grade 5");
  // Opened again, it stands at what is chosen.
  await page.getByRole("button", { name: /^Grade: grade 5/ }).click();
  const grade = await page.getByRole("option", { name: /Grade 5/ }).getAttribute("id");
  await expect(page.getByLabel("Find in Grade")).toHaveAttribute("aria-activedescendant", grade!);
  await page.keyboard.press("Escape");
  await lookFor(page, "tide");
  await expect(page).toHaveURL(/words=tide.*grades=5|grades=5.*words=tide/);
  await page.goBack();
  await expect(box).toHaveValue("harbour");
  await expect(trail).not.toContainText("grade 5");
});

test("left for another page right after the last letter: back, the words, the lines and the one chosen are there", async ({
  signedIn,
}) => {
  const page = await signedIn("Ines Halloran");
  const box = page.getByLabel("About: words to look for");
  const chosen = page.getByRole("list", { name: "Results" }).locator("[aria-current]");
  const plan = page.getByRole("link", { name: "Plan", exact: true });
  await box.pressSequentially("tide", { delay: 60 });
  await plan.click();
  await page.waitForURL(/\/plan/);
  await page.goBack();
  await expect(box).toHaveValue("tide");
  await expect(page.getByRole("list", { name: "How it was narrowed" })).toContainText("tide");
  await page.keyboard.press("j");
  await expect(page).toHaveURL(/open=\d+/);
  const title = await chosen.innerText();
  await plan.click();
  await page.waitForURL(/\/plan/);
  await page.goBack();
  await expect(page.getByRole("heading", { name: title })).toBeVisible();
  await expect(chosen).toHaveText(title);
  await expect(chosen).toBeInViewport();
});

test("a key pressed before what was found lies on the light table waits for it", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  await lookFor(page, "sea song");
  await page.route("**/find/table?*", async (route) => {
    await new Promise((done) => setTimeout(done, 400));
    await route.continue();
  });
  await lookFor(page, "reading a tide table");
  await page.keyboard.press("e");
  await page.getByRole("button", { name: "Make my copy" }).click();
  await page.waitForURL(/\/adapt\/\d+/);
  await expect(page.getByLabel("Title", { exact: true })).toHaveValue("Reading a tide table");
});

test("when the satchel does not answer, what she had stays and she is told", async ({ signedIn, expectTrouble }) => {
  expectTrouble(/find\/results|ERR_INTERNET_DISCONNECTED|Failed to load/);
  const page = await signedIn("Ines Halloran");
  await lookFor(page, "sea song");
  await page.route("**/find/results?*", (route) => route.abort("internetdisconnected"));
  await page.getByLabel("About: words to look for").fill("sea songs");
  await expect(page.getByText("The satchel does not answer.")).toBeVisible();
  await expect(lines(page).first()).toContainText("The beat of a sea song");
  await page.unroute("**/find/results?*");
  await lookFor(page, "lighthouse signals");
  await expect(lines(page).first()).toContainText("Lighthouse signals");
});
