import { expect, test } from "../fixture";
import { nothingSerious } from "../pages/accessible";
import { Walk } from "./walk";

test("a child's goal over the term: met, when, and by which results; said anew, and undone", async ({ signedIn }) => {
  const ines = await signedIn("Ines Halloran", { at: "/results/student" });
  const walk = new Walk(ines, "how a child is doing in a goal over the term", 2);
  walk.presses += 1;
  await ines.getByLabel("Student").selectOption({ label: "Marek Zielin" });
  const goal = ines.getByRole("listitem").filter({ hasText: "Reads a table with a finger on the row" });
  await expect(goal).toContainText(/8 of 10, three times running:\s*met on/);
  await expect(goal).toContainText("4 results: 3 of 4, 4 of 4, 4 of 4, 4 of 4");
  walk.presses += 1;
  await ines
    .getByLabel("What", { exact: true })
    .selectOption({ label: "“Reads a table with a finger on the row (2026)”" });
  const table = ines.getByRole("table", { name: /Every result/ });
  await expect(table.getByRole("rowheader")).toHaveCount(4);
  await expect(ines.getByText(/100% in the last 3 results up from 75%/)).toBeVisible();
  walk.done();
  await nothingSerious(ines);

  // Another criterion: worked out at once, and undone.
  await goal.getByRole("button", { name: "Change …" }).click();
  await goal.getByLabel("How often running").fill("5");
  await goal.getByRole("button", { name: "Save" }).click();
  await expect(goal).toContainText("8 of 10, 5 times running: 3 of 5 so far");
  await ines.getByRole("button", { name: "Undo" }).click();
  await expect(goal).toContainText(/three times running:\s*met on/);

  // Who began well and fell back is told so; by keys from child to child.
  await ines.goto("/results/student");
  await ines.getByLabel("Student").selectOption({ label: "Mei Lindqvist" });
  await expect(table.getByRole("row").last()).toContainText("100%");
  await expect(ines.getByText(/down from 9\d% in the first 3/)).toBeVisible();
  // The points of the chart are gone through by the arrow keys.
  const points = ines.getByRole("slider", { name: "Points of the chart" });
  await points.focus();
  await ines.keyboard.press("Home");
  await expect(points).toHaveAttribute("aria-valuetext", /Number work, week by week, step 1: 100%/);
  await ines.keyboard.press("ArrowRight");
  await expect(points).toHaveAttribute("aria-valuenow", "2");
  await expect(ines.getByText(/^Clock time, week by week, step 1: \d+%$/)).toBeVisible();
  // A note for the child's teachers; removed and brought back.
  await ines.getByLabel("A note for the child’s teachers").fill("Likes to draw first.");
  await ines.keyboard.press("Control+Enter");
  const note = ines.getByRole("listitem").filter({ hasText: "Likes to draw first." });
  await note.getByRole("button", { name: "Remove the note" }).click();
  await expect(note).toHaveCount(0);
  await ines.getByRole("button", { name: "Undo" }).click();
  await expect(note).toBeVisible();
  // One term by itself.
  await ines.getByLabel("When", { exact: true }).selectOption({ index: 1 });
  await expect(table.getByRole("row").last()).toContainText("100%");
  await ines.getByRole("heading", { name: "Goals" }).click();
  await ines.keyboard.press("j");
  await expect(ines.getByRole("combobox", { name: "Student" }).locator("option:checked")).toHaveText("Noor Haddan");
  await table.getByRole("link", { name: "Ferry fares" }).click();
  await expect(ines.getByRole("table", { name: /Noor Haddan, try 1/ })).toBeVisible();
});

test("how a child is doing is for this child's teachers only", async ({ signedIn, expectTrouble }) => {
  expectTrouble(/404/);
  const ines = await signedIn("Ines Halloran", { at: "/results/student" });
  await ines.getByLabel("Student").selectOption({ label: "Marek Zielin" });
  await expect(ines).toHaveURL(/student=\d+/);
  const { pathname, searchParams } = new URL(ines.url());
  const teodor = await signedIn("Teodor Brandt");
  for (const group of [1, 2, 3, 4]) {
    const answer = await teodor.goto(`${pathname}?class=${group}&student=${searchParams.get("student")}`);
    expect(answer!.status()).toBe(404);
  }
});

test("a letter home about a child's results, in plain words and the family's language; and all of the class at once", async ({
  signedIn,
}) => {
  const ines = await signedIn("Ines Halloran", { at: "/results/student" });
  const walk = new Walk(ines, "from a student to the family's letter, ready to print", 2);
  walk.presses += 1;
  await ines.getByLabel("Student").selectOption({ label: "Pau Ferran" });
  await expect(ines).toHaveURL(/student=\d+/);
  await walk.click(ines.getByRole("link", { name: "Letter home" }));
  const letter = ines.getByRole("listitem").filter({ hasText: "Estimada familia de Pau" });
  await expect(letter).toContainText(/Así le va a Pau en 5 Kittiwake/);
  walk.done();
  await expect(letter).toContainText(/Pau (?:sabe hacer bien esto|va avanzando en esto|necesita más tiempo con esto):/);
  await expect(letter).not.toContainText("Los resultados");
  await ines.getByRole("checkbox", { name: "each result" }).click();
  await expect(letter).toContainText(/Ferry fares: \d+(?:\.\d+)? de (?:9|13)/);
  await nothingSerious(ines);
  await ines.goBack();
  await ines.getByRole("link", { name: /^All 22/ }).click();
  await expect(ines.getByRole("button", { name: "Print 22" })).toBeVisible();
  await expect(ines.getByText("To the family of Mei")).toBeVisible();
});
