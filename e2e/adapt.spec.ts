import { expect, lines, lookFor, test } from "./fixture";

test("a teacher makes a colleague's lesson her own: reorders, removes and undoes, writes a question, publishes; the original stays", async ({
  signedIn,
}) => {
  const page = await signedIn("Mercy Adeyemi");
  await lookFor(page, "reading a tide table");
  await page.getByRole("button", { name: /^Adapt/ }).click();
  await page.waitForURL(/\/adapt\/\d+/);
  await expect(page.getByText("from Teodor Brandt, revision 1 · 0 changes")).toBeVisible();
  const spine = page.getByRole("region", { name: "Steps" });
  const steps = spine.getByRole("listitem");
  await expect(steps).toHaveCount(5);

  await page.getByLabel("Title", { exact: true }).fill("Our tide table");
  // With the keyboard: pick the grip up, move it, put it down.
  await spine.getByRole("button", { name: "Move “One last question”, now step 5" }).focus();
  await page.keyboard.press("Space");
  await page.waitForTimeout(250);
  for (let up = 0; up < 2; up += 1) {
    await page.keyboard.press("ArrowUp");
    await page.waitForTimeout(250);
  }
  await page.keyboard.press("Space");
  await expect(steps.nth(2)).toContainText("One last question");
  await expect(steps.nth(2)).toContainText("moved");

  await spine.getByRole("button", { name: "More for step 1" }).click();
  await page.getByRole("menuitem", { name: "Remove" }).click();
  await expect(steps).toHaveCount(4);
  await page.getByRole("button", { name: "Undo" }).last().click();
  await expect(steps).toHaveCount(5);
  await expect(steps.first()).toContainText("Why tides matter");

  await spine.getByRole("button", { name: "More for step 2" }).click();
  await page.getByRole("menuitem", { name: "Duplicate" }).click();
  await expect(steps).toHaveCount(6);
  await page.getByRole("button", { name: "Undo", exact: true }).first().click();
  await expect(steps).toHaveCount(5);

  await spine.getByRole("button", { name: "Step", exact: true }).click();
  await page.getByLabel("Title of the step").fill("Say it yourself");
  await page.getByRole("textbox", { name: "Instructions" }).fill("Think of last Tuesday.");
  await page.getByRole("button", { name: "Question …" }).click();
  await page.getByRole("menuitem", { name: "One choice" }).click();
  await expect(page.getByRole("button", { name: "Publish" })).toBeDisabled();
  await expect(page.getByRole("complementary", { name: "Settings" })).toContainText("A choice has no right answer.");
  await page.getByRole("textbox", { name: "What is asked" }).fill("Where were you at low water?");
  await page.getByLabel("Option 1", { exact: true }).fill("on the beach");
  await page.getByLabel("Option 2", { exact: true }).fill("at sea");
  await page.getByRole("button", { name: "Remove option 3" }).click();
  await page.getByLabel("Option 1 is right").check();
  await expect(page.getByRole("complementary", { name: "Settings" })).toContainText("Nothing stands in the way.");

  await page.getByRole("button", { name: "See as student" }).click();
  await page.getByText("at sea").click();
  await page.getByRole("button", { name: "Check" }).click();
  await expect(page.getByText("Not yet. Try again.")).toBeVisible();
  await page.getByRole("button", { name: "Back to editing" }).click();

  await expect(page.getByText(/saved \d/)).toBeVisible();
  await page.reload();
  await expect(page.getByLabel("Title", { exact: true })).toHaveValue("Our tide table");
  await expect(steps).toHaveCount(6);

  await page.getByRole("button", { name: "Publish" }).click();
  await expect(page.getByText("Published as revision 1.")).toBeVisible();
  await page.waitForURL(/satchel\?open=/);
  await expect(page.getByText(/“Reading a tide table” by Teodor Brandt, Lighthouse Road Primary/)).toContainText(
    "another title",
  );

  await page.goto("/find");
  await lookFor(page, "reading a tide table");
  await expect(lines(page).first()).toContainText("Reading a tide table");
  await expect(page.getByText("You have a version of your own.")).toBeVisible();
  await expect(page.getByRole("list", { name: "Steps" }).getByRole("listitem")).toHaveCount(5);
});

test("every type of question can be written and then done", async ({ signedIn }) => {
  const page = await signedIn("Aud Fennimore");
  await page.goto("/satchel");
  await page.getByRole("button", { name: "Make new" }).click();
  await page.getByLabel("What is it called?").fill("All sorts of questions");
  await page.getByRole("button", { name: "Begin" }).click();
  await page.waitForURL(/\/adapt\/\d+/);
  await page.getByRole("button", { name: "Write the first step" }).click();
  await page.getByLabel("Title of the step").fill("Everything");
  const add = async (type: string) => {
    await page.getByRole("button", { name: "Question …" }).click();
    await page.getByRole("menuitem", { name: type, exact: true }).click();
    const editor = page.getByRole("region", { name: type, exact: true });
    await editor.getByRole("textbox", { name: "What is asked" }).fill(`${type}?`);
    return editor;
  };
  const several = await add("Several choices");
  await several.getByLabel("Option 1", { exact: true }).fill("kelp");
  await several.getByLabel("Option 2", { exact: true }).fill("gull");
  await several.getByLabel("Option 3", { exact: true }).fill("rope");
  await several.getByRole("checkbox", { name: "Option 1 is right" }).click();
  await several.getByRole("checkbox", { name: "Option 2 is right" }).click();
  const short = await add("Short answer");
  await short.getByLabel("Accepted answers, one a line").fill("ebb\nebb tide");
  const number = await add("Number");
  await number.getByLabel("Right answer").fill("1852");
  await number.getByLabel("Unit behind the box").fill("m");
  const gaps = await add("Gaps to fill");
  await gaps.getByLabel("The passage").fill("The sea [ebbs|falls] and [rises].");
  await gaps.getByLabel("The passage").blur();
  const pairs = await add("Pairs to match");
  await pairs.getByLabel("Left 1").fill("bow");
  await pairs.getByLabel("Partner 1").fill("front");
  await pairs.getByLabel("Left 2").fill("stern");
  await pairs.getByLabel("Partner 2").fill("back");
  const order = await add("Put in order");
  for (const [at, text] of ["first", "second", "third"].entries())
    await order.getByLabel(`Item ${at + 1}`, { exact: true }).fill(text);
  await add("Writing");
  await expect(page.getByRole("complementary", { name: "Settings" })).toContainText("Nothing stands in the way.");

  await page.getByRole("button", { name: "See as student" }).click();
  const question = (name: string) => page.getByRole("region", { name: `${name}?`, exact: true });
  const checked = async (name: string) => {
    await question(name).getByRole("button", { name: "Check", exact: true }).click();
    await expect(question(name).getByText("Right", { exact: true })).toBeVisible();
  };
  await question("Several choices").getByText("kelp").click();
  await question("Several choices").getByText("gull").click();
  await checked("Several choices");
  await question("Short answer").getByRole("textbox").fill("Ebb Tide");
  await checked("Short answer");
  await question("Number").getByRole("textbox").fill("1,852");
  await checked("Number");
  await question("Gaps to fill").getByLabel("gap 1").fill("falls");
  await question("Gaps to fill").getByLabel("gap 2").fill("rises");
  await checked("Gaps to fill");
  const partners = question("Pairs to match").getByRole("group", { name: "Partners" });
  await partners.getByRole("button", { name: "front" }).click();
  await partners.getByRole("button", { name: "back" }).click();
  await checked("Pairs to match");
  // Mixed, they stand second, first, third.
  await question("Put in order").getByRole("button", { name: "“first” up" }).click();
  await checked("Put in order");
  await expect(question("Writing").getByRole("button", { name: "Check" })).toHaveCount(0);
});

test("two windows: the second to save is told, and overwrites nothing", async ({ signedIn }) => {
  const first = await signedIn("Kit Lorne");
  await first.goto("/find?words=journal+page");
  await first.keyboard.press("e");
  await first.waitForURL(/\/adapt\/\d+/);
  const second = await first.context().newPage();
  await second.goto(first.url());
  await first.getByLabel("Title", { exact: true }).fill("Changed in the first window");
  await expect(first.getByText(/saved \d/)).toBeVisible();
  await second.getByLabel("Title", { exact: true }).fill("Changed in the second window");
  await expect(second.getByText(/has saved a change since this page was opened/)).toBeVisible();
  await expect(second.getByRole("button", { name: "Publish" })).toBeDisabled();
  second.on("dialog", (dialog) => void dialog.accept());
  await second.getByRole("button", { name: "Go on from what was saved there" }).click();
  await expect(second.getByLabel("Title", { exact: true })).toHaveValue("Changed in the first window");
});

test("what its author keeps from being changed says so", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  await page.goto("/find?shelf=commons&show=400");
  await page.getByLabel("About: words to look for").fill("harbour depth");
  // A licence that lets it be adapted, but not for sale: adapted versions keep it so.
  await page.keyboard.press("Escape");
  await page.goto("/find?words=harbour+depth+draught");
  await page.keyboard.press("e");
  await page.waitForURL(/\/adapt\/\d+/);
  await page.getByRole("radio", { name: "The whole" }).click();
  const options = await page.getByLabel("Licence").locator("option").allInnerTexts();
  expect(options).toEqual([
    "Attribution, not for sale (CC BY-NC)",
    "Attribution, not for sale, share alike (CC BY-NC-SA)",
  ]);
});
