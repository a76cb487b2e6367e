import { mkdirSync } from "node:fs";
import path from "node:path";
import { adapt, expect, test } from "./fixture";

// `SCREENSHOTS=1 npx playwright test screenshots` refreshes docs/screenshots from the demo's data.
test.skip(!process.env.SCREENSHOTS, "only when asked for");
test.describe.configure({ mode: "serial" });
const folder = path.resolve("docs/screenshots");
mkdirSync(folder, { recursive: true });
const file = (name: string) => path.join(folder, `${name}.png`);

test("the teacher's views", async ({ signedIn }) => {
  test.setTimeout(240_000);
  const teacher = await signedIn("Ines Halloran");
  const shot = async (name: string, address: string, before?: () => Promise<void>) => {
    await teacher.goto(address);
    await teacher.waitForLoadState("networkidle");
    await before?.();
    await teacher.screenshot({ path: file(name) });
  };
  await shot("find", "/find?words=tide&grades=4,5&minutes=30&step=2&mode=work", async () => {
    await teacher.getByLabel("h", { exact: true }).first().fill("12");
    await teacher.getByLabel("min", { exact: true }).first().fill("25");
    await teacher.getByRole("button", { name: "Check" }).first().click();
  });
  await shot("run-sheet", "/find?words=ferry+fares", async () => {
    await teacher.keyboard.press("r");
    await teacher.waitForURL(/run-sheet/);
    const lines = teacher.getByRole("list", { name: "Script, day 1" }).getByRole("textbox", { name: /Tab changes/ });
    await lines.nth(2).focus();
  });
  await shot("assign", "/find?words=tide&do=assign", async () => {
    await teacher.getByRole("button", { name: "Different versions" }).click();
    await expect(teacher.getByRole("region", { name: "Last look" })).toHaveAttribute("aria-busy", "false");
  });
  await shot("satchel", "/satchel", async () => {
    await teacher.getByRole("checkbox", { name: "Tick Bird counts as graphs" }).click();
  });
  await shot("share", "/satchel", async () => {
    await teacher.getByRole("button", { name: "Ferry fares", exact: true }).click();
    await expect(teacher.getByRole("heading", { name: "Ferry fares", level: 1 })).toBeVisible();
    await teacher.keyboard.press("h");
    await expect(teacher.getByRole("list", { name: "How far it can go" })).toBeVisible();
    await teacher.keyboard.type("district grades 4-5 maths");
  });
  await shot("teams", "/teams", async () => {
    await expect(teacher.getByRole("heading", { name: "Grade 4 and 5 science" })).toBeVisible();
  });
  await shot("plan", "/plan", async () => {
    await teacher.getByRole("button", { name: /^Harbour depth and draught.*minutes/ }).click();
    await expect(teacher.getByRole("complementary", { name: "Selected work" })).toBeVisible();
  });
  await shot("results", "/results", async () => {
    await teacher
      .getByRole("button", { name: /partly right/ })
      .first()
      .click();
  });
  await teacher.getByRole("navigation", { name: "Assignments" }).getByText("Ferry fares").click();
  await expect(teacher.getByRole("heading", { name: "Ferry fares", level: 1 })).toBeVisible();
  await teacher.keyboard.press("2");
  await teacher.getByRole("button", { name: /For which family/ }).click();
  await expect(teacher.getByRole("complementary", { name: "Question 6" })).toBeVisible();
  await teacher.screenshot({ path: file("questions") });
  await teacher.keyboard.press("5");
  await expect(teacher.getByRole("region", { name: "Two markers" })).toBeVisible();
  await teacher
    .getByRole("region", { name: "Answers" })
    .getByRole("button", { name: /^Liv Torsen/ })
    .click();
  await teacher.screenshot({ path: file("marking") });
  await shot("marks", "/results/marks", async () => {
    await teacher.getByRole("region", { name: "Marks" }).getByRole("button", { name: "Total" }).click();
  });
  await teacher.goto("/results");
  await teacher.getByRole("navigation", { name: "Assignments" }).getByText("Reading a tide table").click();
  await expect(teacher.getByRole("heading", { name: "Reading a tide table", level: 1 })).toBeVisible();
  await teacher.getByRole("link", { name: "Live" }).click();
  await teacher.getByRole("button", { name: /^Lead it/ }).click();
  const here = [];
  for (const name of ["Sunniva Dale", "Liv Torsen", "Odd Marwen"]) {
    const child = await signedIn(name);
    await child
      .getByRole("link", { name: /^Join in/ })
      .first()
      .click();
    here.push(child);
  }
  await expect(teacher.getByRole("heading", { name: /^3 of \d+ in$/ })).toBeVisible();
  await teacher.getByRole("button", { name: /^Begin/ }).click();
  await expect(teacher.getByRole("heading", { name: "What they chose" })).toBeVisible();
  await teacher.screenshot({ path: file("lead") });
  await teacher.getByRole("button", { name: "End the lesson …" }).click();
  await teacher.getByRole("button", { name: "They go on at their own pace" }).click();
  await teacher.waitForURL(/results/);
  await shot("adapt", "/find?words=reading+a+tide+table");
  await adapt(teacher);
  await teacher.getByRole("button", { name: "More for step 1" }).click();
  await teacher.getByRole("menuitem", { name: "Duplicate" }).click();
  await teacher.getByRole("region", { name: "Steps" }).getByRole("button", { name: /^3/ }).click();
  await expect(teacher.getByText(/saved \d/)).toBeVisible();
  await teacher.screenshot({ path: file("adapt") });
  await shot("coverage", "/results/coverage", async () => {
    await teacher.getByRole("button", { name: /^MA\.5\.M\.2, 5 Kittiwake/ }).click();
    await expect(teacher.getByRole("img", { name: /Right answers over time/ }).locator("svg")).toBeVisible();
  });
  await shot("progress", "/results/student", async () => {
    await teacher.getByLabel("Student").selectOption({ label: "Marek Zielin" });
    await expect(teacher.getByText(/three times running/)).toBeVisible();
    await expect(teacher.getByRole("img", { name: /Results of Marek Zielin/ }).locator("svg")).toBeVisible();
  });
});

test("the curator's desk", async ({ signedIn }) => {
  const curator = await signedIn("Sol Wetherby", { at: "/desk" });
  await expect(curator.getByRole("heading", { name: "The keeper's letter", level: 2 })).toBeVisible();
  await curator.keyboard.press("n");
  await curator.keyboard.type("Say who Marit is.");
  await curator.screenshot({ path: file("desk") });
});

test("the student's views", async ({ signedIn }) => {
  const student = await signedIn("Sunniva Dale", { phone: true });
  await student.screenshot({ path: file("student") });
  const reader = await signedIn("Liv Torsen");
  await reader.setViewportSize({ width: 1024, height: 768 });
  await reader.getByRole("link", { name: "Choose something to read" }).click();
  await expect(reader.getByRole("heading", { name: "For you" })).toBeVisible();
  await reader.screenshot({ path: file("reading") });
});
