import { expect, test } from "../fixture";
import { nothingSerious } from "../pages/accessible";
import { ResultsPage } from "../pages/results-page";
import { Walk } from "./walk";

test("from a found resource to a saved script for three days, and every line of it by the keys", async ({
  signedIn,
}) => {
  const ines = await signedIn("Ines Halloran", { at: "/find?words=keepers+letter" });
  await expect(ines.getByRole("heading", { level: 1 })).toHaveText("The keeper's letter");
  const walk = new Walk(ines, "from a found resource to a saved script for three days", 8);
  await walk.key("r");
  await walk.key("Enter");
  await ines.waitForURL(/run-sheet/);
  walk.presses += 1;
  await ines.getByLabel("How many lessons").selectOption({ label: "3 lessons" });
  await walk.click(ines.getByRole("button", { name: "Make a run sheet" }));
  const days = ines.getByRole("tablist", { name: "Lessons" }).getByRole("tab");
  await expect(days).toHaveCount(3);
  // No day is too full.
  for (const day of await days.all()) await expect(day).toHaveText(/4\d of 45$/);
  await expect(ines.getByText(/saved \d\d:\d\d/)).toBeVisible();
  walk.done({ seconds: 120 });

  await nothingSerious(ines);

  // A line: another kind by one key, a new one after it, words, moved, and undone.
  const script = ines.getByRole("list", { name: "Script, day 1" });
  const lines = script.getByRole("textbox", { name: /Tab changes the kind/ });
  const before = await lines.count();
  await lines.first().focus();
  await expect(lines.first()).toHaveAccessibleName(/^I say/);
  await ines.keyboard.press("Tab");
  await expect(lines.first()).toHaveAccessibleName(/^I do/);
  await ines.keyboard.press("Shift+Tab");
  await ines.keyboard.press("Enter");
  await ines.keyboard.type("Who has written a letter?");
  await expect(lines).toHaveCount(before + 1);
  await expect(lines.nth(1)).toHaveValue("Who has written a letter?");
  await ines.keyboard.press("Alt+ArrowUp");
  await expect(lines.first()).toHaveValue("Who has written a letter?");
  // Escape leaves the line, and the keys go on from there.
  await ines.keyboard.press("Escape");
  await ines.keyboard.press("]");
  await expect(days.nth(1)).toHaveAttribute("aria-selected", "true");

  // One press takes a question as what the day asks at its end; it says where it stands.
  const taking = ines.getByRole("complementary", { name: "From the resource" });
  const free = taking.getByRole("listitem").filter({ has: ines.getByRole("button", { name: "as exit question" }) });
  if ((await free.count()) > 0) {
    const prompt = await free.first().locator("p").first().innerText();
    await free.first().getByRole("button", { name: "as exit question" }).click();
    await expect(taking.getByRole("listitem").filter({ hasText: prompt })).toContainText("exit question, day 2");
  }

  // When the resource changes, the line says so.
  await ines.getByRole("link", { name: "Edit the resource" }).click();
  await ines.waitForURL(/adapt\/\d+$/);
  await expect(ines.getByRole("link", { name: "Run sheet" })).toBeVisible();
  const instructions = ines.getByRole("textbox", { name: /Instructions|What to do/ }).first();
  await instructions.click();
  await ines.keyboard.press("Control+End");
  await ines.keyboard.type(" Then talk about it.");
  await expect(ines.getByText(/saved \d\d:\d\d/)).toBeVisible();
  await ines.getByRole("link", { name: "Run sheet" }).click();
  await ines.waitForURL(/run-sheet/);
  await expect(ines.getByText(/The resource says now/).first()).toBeVisible();
  await ines.getByRole("button", { name: "Use that" }).first().click();
  await expect(ines.getByText(/The resource says now/)).toHaveCount(0);
});

test("in the room the script stands beside the step; a child comes to the board by turns, and somebody else when she is away", async ({
  signedIn,
}) => {
  const ines = await signedIn("Ines Halloran");
  await new ResultsPage(ines).open("Ferry fares");
  await ines.getByRole("link", { name: "Live" }).click();
  const script = ines.getByRole("region", { name: "Script" });
  await expect(script.getByText("I say").first()).toBeVisible();
  await expect(script.getByText(/^then /)).toBeVisible();
  const walk = new Walk(ines, "from the room to a child at the board", 1);
  const whose = script.getByRole("button", { name: /Whose turn|Draw/ }).first();
  await walk.click(whose);
  await expect(script.getByRole("status")).not.toBeEmpty();
  walk.done();
  const first = await script.getByRole("status").innerText();
  await script.getByRole("button", { name: "Somebody else" }).click();
  await expect(script.getByRole("status")).not.toHaveText(first);
  await nothingSerious(ines);
  // What is not reached goes first in the next lesson, and what follows from that is said; undone it is as before.
  const rest = script.getByRole("button", { name: /^Move the rest to day/ });
  await rest.click();
  await expect(ines.getByText(/first on day 2, which takes \d+ minutes/)).toBeVisible();
  await expect(script.getByText(/^then /)).toHaveCount(0);
  await expect(script.getByLabel("Day of the script")).toBeVisible();
  await ines.getByRole("button", { name: "Undo" }).click();
  await expect(script.getByText(/^then /)).toBeVisible();
  await ines.reload();
  await expect(script.getByText(/^then /)).toBeVisible();

  // While she leads, a question of the script is asked of everybody with one press.
  await ines.keyboard.press("l");
  await expect(ines.getByText(/^lobby/)).toBeVisible();
  await ines.keyboard.press("Enter");
  await expect(ines.getByText(/leads since/)).toBeVisible();
  const ask = script.getByRole("button", { name: "Ask everyone" }).first();
  for (let step = 0; step < 6 && !(await ask.isVisible()); step += 1) {
    await ines.keyboard.press("ArrowRight");
    await ines.waitForTimeout(300);
  }
  const asking = new Walk(ines, "a question of the script to all screens", 1);
  await asking.click(ask);
  await expect(ines.getByRole("region", { name: "Quick question" }).getByRole("heading")).not.toBeEmpty();
  asking.done();
  await ines.getByRole("button", { name: "End the lesson …" }).click();
  await ines.getByRole("button", { name: "They go on at their own pace" }).click();
  await expect(ines.getByText(/^own pace/)).toBeVisible();

  // Hidden by one key, for those who know it by heart.
  await ines.keyboard.press("s");
  await expect(script).toHaveCount(0);
});
