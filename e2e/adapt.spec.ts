import { adapt, expect, lines, lookFor, test, write } from "./fixture";
import { SatchelPage } from "./pages/satchel-page";

test("a teacher makes a colleague's lesson her own: reorders, removes and undoes, writes a question, publishes; the original stays", async ({
  signedIn,
}) => {
  const page = await signedIn("Mercy Adeyemi");
  await lookFor(page, "reading a tide table");
  await page.getByRole("button", { name: /^Adapt/ }).click();
  await expect(page.getByRole("dialog")).toContainText("This is Teodor Brandt’s and stays as it is");
  await page.getByRole("button", { name: "Make my copy" }).click();
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
  await write(page.getByRole("textbox", { name: "Instructions" }), "Think of last Tuesday.");
  await page.getByRole("button", { name: "Question …" }).click();
  await page.getByRole("menuitem", { name: "One choice" }).click();
  await expect(page.getByRole("button", { name: "Publish", exact: true })).toBeDisabled();
  await expect(page.getByRole("complementary", { name: "Settings" })).toContainText("A choice has no right answer.");
  await write(page.getByRole("textbox", { name: "What is asked" }), "Where were you at low water?");
  await page.getByLabel("Option 1", { exact: true }).fill("on the beach");
  await page.getByLabel("Option 2", { exact: true }).fill("at sea");
  await page.getByRole("button", { name: "Remove option 3" }).click();
  await page.getByLabel("Option 1 is right").check();
  await expect(page.getByRole("complementary", { name: "Settings" })).toContainText("Nothing to fix.");

  await page.getByRole("button", { name: "See as student" }).click();
  await page.getByText("at sea").click();
  await page.getByRole("button", { name: "Check" }).click();
  await expect(page.getByText("Not yet. Try again.")).toBeVisible();
  await page.getByRole("button", { name: "Back to editing" }).click();

  await expect(page.getByText(/saved \d/)).toBeVisible();
  await page.reload();
  await expect(page.getByLabel("Title", { exact: true })).toHaveValue("Our tide table");
  await expect(steps).toHaveCount(6);

  await page.getByRole("button", { name: "Publish", exact: true }).click();
  await expect(page.getByText("Published as revision 1.")).toBeVisible();
  await page.waitForURL(/satchel\?open=/);
  await expect(page.getByText(/“Reading a tide table” by Teodor Brandt, Lighthouse Road Primary/)).toContainText(
    "different title",
  );

  await page.goto("/find");
  await lookFor(page, "reading a tide table");
  await expect(lines(page).first()).toContainText("Reading a tide table");
  await expect(page.getByText("You have a version of your own.")).toBeVisible();
  await expect(page.getByRole("list", { name: "Steps" }).getByRole("listitem")).toHaveCount(5);
});

test("every type of question can be written and then done", async ({ signedIn }) => {
  const page = await signedIn("Aud Fennimore", { at: "/satchel" });
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
    await write(editor.getByRole("textbox", { name: "What is asked" }), `${type}?`);
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
  await number.getByLabel("Unit after the box").fill("m");
  const gaps = await add("Gaps to fill");
  await gaps.getByLabel("The passage").fill("The sea [ebbs|falls] and [rises].");
  await gaps.getByLabel("The passage").blur();
  await gaps.getByRole("radio", { name: "chosen from a list" }).click();
  await gaps.getByLabel("Other words in the list").fill("sleeps\nhums");
  const pairs = await add("Pairs to match");
  await pairs.getByLabel("Left 1").fill("bow");
  await pairs.getByLabel("Partner 1").fill("front");
  await pairs.getByLabel("Left 2").fill("stern");
  await pairs.getByLabel("Partner 2").fill("back");
  const order = await add("Put in order");
  for (const [at, text] of ["first", "second", "third"].entries())
    await order.getByLabel(`Item ${at + 1}`, { exact: true }).fill(text);
  await add("Writing");
  await expect(page.getByRole("complementary", { name: "Settings" })).toContainText("Nothing to fix.");

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
  const first = question("Gaps to fill").getByLabel("gap 1");
  await expect(first.getByRole("option")).toHaveText(["…", "ebbs", "hums", "rises", "sleeps"]);
  await first.selectOption("ebbs");
  await question("Gaps to fill").getByLabel("gap 2").selectOption("rises");
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

test("two windows: what each changed apart comes together, and what both changed is to choose from", async ({
  signedIn,
}) => {
  const first = await signedIn("Kit Lorne", { at: "/find?words=journal+page" });
  await first.keyboard.press("e");
  await first.waitForURL(/\/adapt\/\d+/);
  const second = await first.context().newPage();
  await second.goto(first.url());
  await first.getByLabel("Title", { exact: true }).fill("Changed in the first window");
  await expect(first.getByText(/saved \d/)).toBeVisible();
  await second.getByLabel("Title of the step").fill("Only the second window touched this");
  await expect(second.getByText("This was also changed in another window.")).toBeVisible();
  await expect(second.getByText("Nothing of either was lost.")).toBeVisible();
  await expect(second.getByLabel("Title", { exact: true })).toHaveValue("Changed in the first window");
  await expect(second.getByLabel("Title of the step")).toHaveValue("Only the second window touched this");
  await second.getByRole("button", { name: "Good" }).click();
  await expect(second.getByText(/saved \d/)).toBeVisible();

  await second.getByLabel("Title of the step").fill("The second says so");
  await expect(second.getByText(/saved \d/)).toBeVisible();
  await first.getByLabel("Title of the step").fill("The first says so");
  await expect(first.getByText(/Both changed the following/)).toBeVisible();
  await expect(first.getByLabel("Title of the step")).toHaveValue("The first says so");
  await first.getByRole("button", { name: "Take the other" }).click();
  await expect(first.getByLabel("Title of the step")).toHaveValue("The second says so");
  await expect(first.getByRole("button", { name: "Take the other" })).toHaveCount(0);
});

test("what its author keeps from being changed says so", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran", { at: "/find?shelf=commons&show=400" });
  await page.getByLabel("About: words to look for").fill("harbour depth");
  // A licence that lets it be adapted, but not for sale: adapted versions keep it so.
  await page.keyboard.press("Escape");
  await page.goto("/find?words=harbour+depth+draught");
  await adapt(page);
  await page.getByRole("radio", { name: "The whole" }).click();
  const options = await page.getByLabel("Licence").locator("option").allInnerTexts();
  expect(options).toEqual([
    "Attribution, not for sale (CC BY-NC)",
    "Attribution, not for sale, share alike (CC BY-NC-SA)",
  ]);
});

test("the author's improvement is taken step by step; her own wording stays, or is put back", async ({ signedIn }) => {
  const page = await signedIn("Mercy Adeyemi", { at: "/find?words=the+lighthouse+cat" });
  await adapt(page);
  const steps = page.getByRole("region", { name: "Steps" });
  const heading = page.getByLabel("Title of the step");
  const first = await heading.inputValue();
  await heading.fill("A step of my own wording");
  await expect(page.getByText(/saved \d/)).toBeVisible();

  const author = await signedIn("Linnea Strand", { at: "/find?words=the+lighthouse+cat" });
  await author.keyboard.press("e");
  await author.waitForURL(/\/adapt\/\d+/);
  await author.getByRole("region", { name: "Steps" }).getByRole("listitem").nth(1).getByRole("button").nth(1).click();
  await author.getByLabel("Title of the step").fill("The author says it better");
  await expect(author.getByText(/saved \d/)).toBeVisible();
  await author.getByRole("button", { name: "Publish", exact: true }).click();
  await author.waitForURL(/satchel/);

  await page.reload();
  await page.getByRole("button", { name: /revision 2 is out/ }).click();
  const news = page.getByRole("region", { name: /New in Linnea Strand’s revision 2/ });
  await expect(news.locator("ins", { hasText: "better" })).toBeVisible();
  await news.getByRole("button", { name: "Take “The author says it better”" }).click();
  await expect(news.getByText("in yours already")).toBeVisible();
  await expect(steps).toContainText("The author says it better");
  await expect(steps).toContainText("A step of my own wording");
  await news.getByRole("button", { name: "Done: go on from revision 2" }).click();
  await expect(page.getByText("Its author has published nothing newer.")).toBeVisible();

  const changes = page.getByRole("region", { name: "What changed since" });
  await expect(changes.locator("ins", { hasText: "wording" })).toBeVisible();
  await changes.getByRole("button", { name: "Put back “A step of my own wording”" }).click();
  await expect(changes.getByText("Nothing changed")).toBeVisible();
  await expect(steps).toContainText(first);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(steps).toContainText("A step of my own wording");
});

test("a step from elsewhere: found, looked at, put in, swapped, undone; its author is named", async ({ signedIn }) => {
  const page = await signedIn("Piers Oakenshaw", { at: "/find?words=rough+sea+calm+sea" });
  await adapt(page);
  const steps = page.getByRole("region", { name: "Steps" }).getByRole("listitem");
  await expect(steps.first()).toBeVisible();
  const count = await steps.count();
  await page.getByRole("button", { name: "Take from elsewhere" }).click();
  await page.getByRole("radio", { name: "Resources" }).click();
  await page.getByLabel("Words to look for elsewhere").fill("what the ebb lays bare");
  await page
    .getByRole("list", { name: "Found elsewhere" })
    .getByRole("button", { name: /What the ebb lays bare/ })
    .click();
  const kelp = page
    .getByRole("list", { name: "Its steps" })
    .getByRole("listitem", { name: "The parts of a kelp", exact: true });
  await expect(kelp.getByRole("img")).toBeVisible();
  await kelp.getByRole("button", { name: /^Add it after/ }).click();
  await expect(steps).toHaveCount(count + 1);
  await expect(steps.nth(1)).toContainText("The parts of a kelp");
  await expect(page.getByText(/saved \d/)).toBeVisible();
  await page.getByRole("button", { name: "Undo", exact: true }).first().click();
  await expect(steps).toHaveCount(count);
  await expect(page.getByText(/saved \d/)).toBeVisible();
  // A single question of it can be had too.
  const questions = page.getByRole("list", { name: "Its steps" }).getByRole("button", { name: /^As a new step/ });
  await questions.first().click();
  await expect(steps).toHaveCount(count + 1);
  await page.getByRole("button", { name: "Undo", exact: true }).first().click();
  await expect(steps).toHaveCount(count);
  await kelp.getByRole("button", { name: "Swap them" }).click();
  await expect(steps).toHaveCount(count);
  await expect(steps.first()).toContainText("The parts of a kelp");
  await expect(page.getByText(/saved \d/)).toBeVisible();
  await page.reload();
  await expect(steps.first()).toContainText("The parts of a kelp");
  // The whole was free of all rights; with the step in it, it is so no longer.
  await expect(page.getByText(/cannot be under “No rights reserved/)).toBeVisible();
  await page.getByRole("radio", { name: "The whole" }).click();
  await page.getByLabel("Licence").selectOption("CC-BY-4.0");
  await expect(page.getByText("Nothing to fix.")).toBeVisible();
  await page.getByRole("button", { name: "Publish", exact: true }).click();
  await page.waitForURL(/satchel/);
  await expect(page.getByText(/parts of “What the ebb lays bare” by Mercy Adeyemi/)).toBeVisible();
});

test("a question from elsewhere, found by itself, goes into the step that is open", async ({ signedIn }) => {
  const page = await signedIn("Piers Oakenshaw", { at: "/find?words=rough+sea+calm+sea" });
  await adapt(page);
  const steps = page.getByRole("region", { name: "Steps" }).getByRole("listitem");
  await expect(steps.first()).toBeVisible();
  const count = await steps.count();
  await page.getByRole("button", { name: "Take from elsewhere" }).click();
  await page.getByLabel("Words to look for elsewhere").fill("name three parts kelp");
  await page.getByLabel("Type of question").selectOption({ label: "Label a picture" });
  const found = page.getByRole("list", { name: "Found elsewhere" });
  await expect(found.getByRole("listitem").first().locator("mark").first()).toHaveText(/name|three|parts/i);
  await found.getByRole("button").first().click();
  await page
    .getByRole("button", { name: /^Into “/ })
    .first()
    .click();
  await expect(page.getByText(/^Put into “/)).toBeVisible();
  await expect(steps).toHaveCount(count);
  await expect(page.getByText(/saved \d/)).toBeVisible();
  await page.getByRole("button", { name: "Back to the step" }).click();
  const taken = page.getByRole("main").getByText("Name the three parts.");
  await expect(taken).toBeVisible();
  await page.reload();
  await expect(taken).toBeVisible();
  await page.getByRole("button", { name: "Undo", exact: true }).first().click();
  await expect(taken).toBeHidden();
  await expect(page.getByText(/saved \d/)).toBeVisible();
});

test("several steps at once, a step put in before another, and undo that outlives a reload", async ({ signedIn }) => {
  const page = await signedIn("Rona Sundin", { at: "about:blank" });
  await new SatchelPage(page).open("Two-column notes");
  await page.keyboard.press("e");
  await page.waitForURL(/\/adapt\/\d+/);
  const spine = page.getByRole("region", { name: "Steps" });
  const steps = spine.getByRole("listitem");
  await spine.getByRole("button", { name: "More for step 2" }).click();
  await page.getByRole("menuitem", { name: "A step before it" }).click();
  await page.getByLabel("Title of the step").fill("Skim first");
  await expect(steps.nth(1)).toContainText("Skim first");

  await spine.getByRole("button", { name: "several" }).click();
  await spine.getByRole("checkbox", { name: /^Step 1/ }).click();
  await spine.getByRole("checkbox", { name: /^Step 3/ }).click();
  await spine.getByRole("button", { name: "Chosen steps down" }).click();
  await expect(steps.first()).toContainText("Skim first");
  await expect(steps.nth(1)).toContainText("Before I read");
  await expect(steps.nth(3)).toContainText("What it says, what I think");
  await spine.getByRole("button", { name: "Remove the chosen steps" }).click();
  await expect(steps).toHaveCount(2);
  await expect(page.getByText(/saved \d/)).toBeVisible();

  await page.reload();
  await expect(steps).toHaveCount(2);
  const undo = page.getByRole("button", { name: "Undo", exact: true });
  await expect(undo).toBeEnabled();
  await undo.click();
  await expect(steps).toHaveCount(4);
  await undo.click();
  await expect(steps.first()).toContainText("Before I read");
  await page.getByRole("button", { name: "Redo" }).click();
  await expect(steps.first()).toContainText("Skim first");
});

test("what is typed into a text before it can be written in is written all the same", async ({ signedIn }) => {
  const page = await signedIn("Mercy Adeyemi");
  await lookFor(page, "knots step by step");
  await adapt(page);
  await page.route("**/_next/static/chunks/**", async (route) => {
    await new Promise((done) => setTimeout(done, 300));
    await route.continue();
  });
  await page.reload();
  const text = page.getByRole("textbox", { name: "Instructions" });
  const before = await text.innerText();
  await expect(text).not.toHaveAttribute("aria-readonly");
  // Reached with the key that goes from field to field; nothing of what follows is lost.
  await text.focus();
  await page.keyboard.type(" Pull twice.");
  await expect(text).toHaveAttribute("contenteditable", "true");
  await expect(text).toContainText(`${before.trim()} Pull twice.`);
  await expect(text).toBeFocused();
  await page.keyboard.type(" Then let go.");
  await expect(page.getByText(/saved \d/)).toBeVisible();
  await page.reload();
  await expect(text).toContainText("Pull twice. Then let go.");
  await expect(text).not.toHaveAttribute("aria-readonly");
  // Pressed with the mouse, it is written in where it was pressed: here at the very beginning.
  await text.click({ position: { x: 4, y: 8 } });
  // Some keys come before it can be written in and some after; the caret stays with them.
  await page.keyboard.type("Fir");
  await expect(text).toHaveAttribute("contenteditable", "true");
  await page.keyboard.type("st: ");
  await expect(text).toContainText(`First: ${before.trim()}`);
});
