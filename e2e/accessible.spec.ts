import type { Page } from "@playwright/test";
import { expect, test } from "./fixture";
import { coloursTellApart, nothingSerious } from "./pages/accessible";
import { SatchelPage } from "./pages/satchel-page";

/** By day, and in the evening, when the same is there in other colours. */
async function nothingSeriousAtRest(page: Page): Promise<void> {
  await page.waitForLoadState("networkidle");
  await nothingSerious(page);
  // Drawn, too: on a busy page colours are on their way for a moment.
  const wear = (theme: string) =>
    page.evaluate((to) => {
      document.documentElement.dataset.theme = to;
      return new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn)));
    }, theme);
  await page.emulateMedia({ reducedMotion: "reduce" });
  await wear("evening");
  await coloursTellApart(page);
  await wear("day");
}

/** How many pixels stick out to the side. */
const sideways = (page: Page) =>
  page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);

const views: [name: string, path: string][] = [
  ["find", "/find?words=tide&grades=4,5"],
  ["find, working", "/find?words=keepers+letter&step=2&mode=work"],
  ["find, assigning", "/find?words=ferry&do=assign"],
  ["find, nothing found", "/find?words=xqzzvw"],
  ["find, the first page", "/find"],
  ["find, facts", "/find?words=tides+at+the+bar&view=facts"],
  ["find, colleagues", "/find?words=reading+a+tide+table&view=colleagues"],
  ["standards", "/find/standards"],
  ["satchel", "/satchel"],
  ["plan", "/plan"],
  ["plan as a list", "/plan?view=list"],
  ["a day in pictures", "/plan/pictures"],
  ["a package", "/satchel/package"],
  ["bring in", "/satchel/bring-in"],
  ["classes", "/classes"],
  ["groups", "/classes?view=groups"],
  ["seating plan", "/classes?view=seats"],
  ["ways in", "/classes?view=ways+in"],
  ["messages", "/messages"],
  ["results", "/results"],
  ["coverage", "/results/coverage"],
  ["coverage as a chart", "/results/coverage?view=chart"],
  ["marks over the term", "/results/marks"],
  ["marking", "/results?view=marking"],
  ["a student over the term", "/results/student"],
  ["a portfolio", "/results/portfolio"],
  ["letters about results", "/letters/1/results"],
  ["work held back", "/results/waiting"],
  ["reading shelf", "/classes?view=reading"],
  ["help", "/help"],
];

// Each look takes some seconds, and most of these take ten or more.
test.describe.configure({ timeout: 240_000 });

// One browser for many of them: signing in anew for each took most of the time. Thirds of the list run side by side.
for (const third of [0, 1, 2]) {
  const some = views.filter((_, at) => at % 3 === third);
  test(`nothing serious against ${some.map(([name]) => name).join(", ")}`, async ({ signedIn }) => {
    const page = await signedIn("Ines Halloran");
    for (const [name, path] of some) {
      await test.step(name, async () => {
        await page.goto(path);
        expect(await sideways(page)).toBe(0);
        await nothingSeriousAtRest(page);
      });
    }
  });
}

test("the school office has nothing serious against it", async ({ signedIn }) => {
  const page = await signedIn("Hollis Gray");
  for (const place of ["/office", "/office/year"]) {
    await page.goto(place);
    await nothingSeriousAtRest(page);
  }
});

test("an open blank has nothing serious against it", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran", { at: "/find?words=tide" });
  await page.getByRole("button", { name: "Subject: any subject" }).click();
  await nothingSeriousAtRest(page);
});

test("the editor has nothing serious against it", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran", { at: "/satchel" });
  await page.getByRole("button", { name: "Ferry fares" }).click();
  await page.getByRole("button", { name: /^Edit/ }).click();
  await page.waitForURL(/adapt/);
  await nothingSeriousAtRest(page);
  await page.getByRole("button", { name: "See as student" }).click();
  await nothingSeriousAtRest(page);
});

test("sharing and the curators' desk have nothing serious against them", async ({ signedIn }) => {
  const page = await signedIn("Mercy Adeyemi", { at: "/desk" });
  await expect(page.getByRole("complementary", { name: "Decide" })).toBeVisible();
  await nothingSeriousAtRest(page);
  const author = await signedIn("Ines Halloran", { at: "about:blank" });
  await new SatchelPage(author).open("Ferry fares");
  await author.getByRole("button", { name: "Share …" }).click();
  await expect(author.getByRole("list", { name: "How far it can go" })).toBeVisible();
  await nothingSeriousAtRest(author);
  await author.getByRole("button", { name: /^Grades: / }).click();
  await nothingSeriousAtRest(author);
});

test("links, teams and reports have nothing serious against them", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran", { at: "about:blank" });
  await new SatchelPage(page).open("Ferry fares");
  await page.getByRole("button", { name: "Share …" }).click();
  await page.getByRole("radio", { name: "People" }).click();
  await expect(page.getByLabel("Find a colleague")).toBeVisible();
  await nothingSeriousAtRest(page);
  await page.getByRole("radio", { name: "Link" }).click();
  await page.getByRole("button", { name: /Make a link/ }).click();
  const address = await page.getByLabel("The link", { exact: true }).inputValue();
  await nothingSeriousAtRest(page);
  await page.goto(address);
  await expect(page.getByRole("heading", { name: "Ferry fares", level: 1 })).toBeVisible();
  await nothingSeriousAtRest(page);
  for (const place of ["/given", "/shared", "/teams"]) {
    await page.goto(place);
    await nothingSeriousAtRest(page);
  }
  await page.getByRole("button", { name: /^Exit questions, week of .*You, asked/ }).click();
  await nothingSeriousAtRest(page);
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "People and parts" }).click();
  await nothingSeriousAtRest(page);
  const curator = await signedIn("Mercy Adeyemi", { at: "/desk?list=reports" });
  await expect(curator.getByRole("list", { name: "Reports" })).toBeVisible();
  await nothingSeriousAtRest(curator);
  await curator.goto("/desk?list=sets");
  await curator.getByRole("button", { name: /^Birds come back/ }).click();
  await expect(curator.getByLabel("What is it called?")).toHaveValue("Birds come back");
  await nothingSeriousAtRest(curator);
});

test("a pocket kept together, a partner's page and two side by side have nothing serious against them", async ({
  signedIn,
}) => {
  const page = await signedIn("Ines Halloran", { at: "/satchel" });
  await page.getByRole("button", { name: /^Shore week/ }).click();
  await expect(page.getByText("Rona Sundin’s pocket.")).toBeVisible();
  await nothingSeriousAtRest(page);
  await page.getByRole("button", { name: "More for Close reading" }).click();
  await page.getByRole("menuitem", { name: "Keep it with others …" }).click();
  await page.getByRole("button", { name: /^Linnea Strand/ }).click();
  await expect(page.getByRole("combobox", { name: "What Linnea Strand can do" })).toBeVisible();
  await nothingSeriousAtRest(page);
  await page.goto("/find");
  await page.getByRole("button", { name: "Shore Lab" }).click();
  await expect(page.getByRole("heading", { name: "Shore Lab", level: 1 })).toBeVisible();
  await nothingSeriousAtRest(page);
  const curator = await signedIn("Odile Marsh", { at: "/desk" });
  await curator.getByRole("button", { name: /^Reading a tide table, the short one/ }).click();
  await expect(curator.getByRole("button", { name: /^Side by side with/ })).toBeVisible();
  await curator.keyboard.press("c");
  await expect(curator.getByRole("heading", { name: "Reading a tide table for the harbour master" })).toBeVisible();
  await nothingSeriousAtRest(curator);
});

test("films, voices, another language and things to find out with have nothing serious against them", async ({
  signedIn,
}) => {
  const page = await signedIn("Ines Halloran", { at: "/find?words=harbour+in+twelve+hours" });
  await page.keyboard.press("e");
  await page.waitForURL(/adapt/);
  await expect(page.getByRole("region", { name: "Film", exact: true })).toBeVisible();
  await nothingSeriousAtRest(page);
  await page.getByRole("radio", { name: "español" }).click();
  await nothingSeriousAtRest(page);
  await page.getByRole("button", { name: "See as student" }).click();
  for (const step of [1, 2, 3, 4]) {
    await page
      .getByRole("region", { name: "Steps" })
      .getByRole("button", { name: new RegExp(`^${step}`) })
      .click();
    await nothingSeriousAtRest(page);
  }
  await page.goto("/find?words=scales+coins+and+rulers&mode=work");
  for (const step of [1, 2, 3, 4]) {
    await page.goto(`/find?words=scales+coins+and+rulers&mode=work&step=${step}`);
    await nothingSeriousAtRest(page);
  }
});

test("no view of a student's has anything serious against it", async ({ signedIn }) => {
  const page = await signedIn("Sunniva Dale", { phone: true });
  await nothingSeriousAtRest(page);
  await page
    .getByRole("link", { name: /Reading a tide table/ })
    .first()
    .click();
  await page.waitForURL(/student\/\d+/);
  for (let step = 1; step <= 5; step += 1) {
    await page.getByRole("button", { name: new RegExp(`^Step ${step}`) }).click();
    await nothingSeriousAtRest(page);
  }
});

test("the doors have nothing serious against them", async ({ page }) => {
  for (const path of ["/sign-in", "/join"]) {
    await page.goto(path);
    await nothingSeriousAtRest(page);
  }
  await page.getByRole("button", { name: "With my pictures" }).click();
  await nothingSeriousAtRest(page);
});

test("nothing needs scrolling sideways, on a small laptop and on a phone", async ({ signedIn }) => {
  const teacher = await signedIn("Ines Halloran");
  for (const path of ["/teams", "/shared", "/given"]) {
    await teacher.goto(path);
    expect([path, await sideways(teacher)]).toEqual([path, 0]);
  }
  const child = await signedIn("Odd Marwen", { phone: true });
  expect(await sideways(child)).toBe(0);
  await child
    .getByRole("link", { name: /Reading a tide table/ })
    .first()
    .click();
  await child.waitForURL(/student\/\d+/);
  for (let step = 1; step <= 5; step += 1) {
    await child.getByRole("button", { name: new RegExp(`^Step ${step}`) }).click();
    expect([step, await sideways(child)]).toEqual([step, 0]);
  }
});
