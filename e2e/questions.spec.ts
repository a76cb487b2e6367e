import type { Locator, Page } from "@playwright/test";
import { adapt, expect, giveNow, test, write } from "./fixture";
import { nothingSerious } from "./pages/accessible";
import { EditorPage } from "./pages/editor-page";

/** The shore lesson in work mode: everything in it is answered as a student would, and marked for real. */
async function shore(page: Page, step: number): Promise<void> {
  await page.goto(`/find?words=what+the+ebb+lays+bare&mode=work&step=${step}`);
  await expect(page.getByRole("heading", { name: "What the ebb lays bare", level: 1 })).toBeVisible();
}
/** Carried with the mouse from one thing to another. */
async function carry(page: Page, what: Locator, place: Locator): Promise<void> {
  await place.scrollIntoViewIfNeeded();
  await what.hover();
  await page.mouse.down();
  const to = (await place.boundingBox())!;
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 8 });
  await page.mouse.up();
  // What is pressed in the same blink still belongs to the carrying.
  await page.waitForTimeout(100);
}
const right = (page: Page) => page.getByRole("status").filter({ hasText: /Right/ });

test("sorting, labelling and a place on a line", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  await shore(page, 1);
  const belongs: Record<string, string[]> = {
    Plants: ["bladder wrack", "sea lettuce", "kelp"],
    Animals: ["limpet", "beadlet anemone", "shore crab"],
    Neither: ["a pebble", "a bit of rope"],
  };
  const heap = page.getByRole("group", { name: "To sort" });
  await carry(
    page,
    heap.getByRole("button", { name: "limpet" }),
    page.getByRole("region", { name: "Plants", exact: true }),
  );
  await expect(page.getByRole("region", { name: "Plants", exact: true })).toContainText("limpet");
  await carry(
    page,
    page.getByRole("button", { name: "Take “limpet” out of Plants" }),
    page.getByRole("region", { name: "Animals", exact: true }),
  );
  for (const [group, items] of Object.entries(belongs)) {
    for (const item of items.filter((one) => one !== "limpet")) {
      await heap.getByRole("button", { name: item, exact: true }).click();
      await page.getByRole("button", { name: `Put “${item}” into ${group}` }).click();
    }
  }
  await page.getByRole("button", { name: "Take “kelp” out of Plants" }).click();
  await page.getByRole("button", { name: "Put “kelp” into Neither" }).click();
  await page.getByRole("button", { name: "Check" }).click();
  await expect(page.getByText("Partly right: 7 of 8")).toBeVisible();
  await page.getByRole("button", { name: "Take “kelp” out of Neither" }).click();
  await page.getByRole("button", { name: "Put “kelp” into Plants" }).click();
  await page.getByRole("button", { name: "Check" }).click();
  await expect(right(page)).toBeVisible();

  await shore(page, 2);
  await carry(
    page,
    page.getByRole("group", { name: "Names" }).getByRole("button", { name: "holdfast" }),
    page.getByRole("button", { name: "Place 3: no name yet" }),
  );
  for (const name of ["frond", "stipe"])
    await page.getByRole("group", { name: "Names" }).getByRole("button", { name, exact: true }).click();
  await expect(page.getByRole("button", { name: "Place 2: stipe" })).toBeVisible();
  await page.getByRole("button", { name: "Check" }).first().click();
  await expect(right(page)).toHaveCount(1);
  const line = page.getByRole("slider");
  await line.focus();
  await page.keyboard.press("End");
  for (let press = 0; press < 3; press += 1) await page.keyboard.press("ArrowLeft");
  await expect(line).toHaveAttribute("aria-valuetext", "4.5");
  await page.getByRole("button", { name: "Check" }).last().click();
  await expect(right(page)).toHaveCount(2);
});

test("a table to fill, bars to draw and points to plot, with the keyboard", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  await shore(page, 3);
  await page.getByLabel("upper shore, Together").fill("35");
  await page.getByLabel("middle shore, Periwinkles").fill("18");
  await page.getByLabel("lower shore, Limpets").fill("9");
  await page.getByRole("button", { name: "Check" }).nth(0).click();
  await expect(right(page)).toHaveCount(1);

  for (const [bar, height] of [
    ["upper", 4],
    ["middle", 22],
    ["lower", 9],
  ] as const) {
    const more = page.getByRole("button", { name: `${bar}: more` });
    await more.focus();
    for (let press = 0; press < height; press += 1) await page.keyboard.press("Enter");
    await expect(page.getByLabel(`${bar} stands at`)).toHaveText(String(height));
  }
  await page.getByRole("button", { name: "Check" }).nth(1).click();
  await expect(right(page)).toHaveCount(2);

  await page.getByRole("application").focus();
  for (const keys of ["u ", "ru ", "rruu ", "rru "])
    for (const key of keys) await page.keyboard.press({ u: "ArrowUp", r: "ArrowRight", " ": "Space" }[key]!);
  await expect(page.getByText("(0 | 1) (1 | 2) (3 | 4) (5 | 5)", { exact: true }).last()).toBeVisible();
  await page.getByRole("button", { name: "Check" }).nth(2).click();
  await expect(right(page)).toHaveCount(3);
});

test("words to mark, a drawing, and writing with a list to look through", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  await shore(page, 4);
  for (const word of ["green", "grey", "red", "brown"])
    await page.getByRole("button", { name: word, exact: true }).click();
  await page.getByRole("button", { name: "Check" }).first().click();
  await expect(right(page)).toBeVisible();
  const sheet = page.getByRole("application");
  await sheet.scrollIntoViewIfNeeded();
  const box = (await sheet.boundingBox())!;
  await page.mouse.move(box.x + 40, box.y + 40);
  await page.mouse.down();
  await page.mouse.move(box.x + 120, box.y + 90, { steps: 5 });
  await page.mouse.up();
  await expect(sheet.getByRole("img")).toHaveAccessibleName("1 line drawn");
  await sheet.focus();
  await page.keyboard.press("Space");
  for (let press = 0; press < 4; press += 1) await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Space");
  await expect(sheet.getByRole("img")).toHaveAccessibleName("2 lines drawn");
  await page.getByRole("button", { name: "Undo the last line" }).click();
  await expect(sheet.getByRole("img")).toHaveAccessibleName("1 line drawn");

  await shore(page, 5);
  await page.getByRole("textbox", { name: /Describe what you would expect/ }).fill("Limpets, because they hold on.");
  await page.getByRole("checkbox", { name: "I named at least two living things." }).check();
  await expect(page.getByRole("textbox", { name: /Describe what/ })).toHaveValue("Limpets, because they hold on.");
});

test("each of them is free of serious faults for those who hear or feel a page", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  for (const step of [1, 2, 3, 4, 5]) {
    await shore(page, step);
    await test.step(`step ${step}`, () => nothingSerious(page));
  }
});

test("a teacher makes one of each, and it stands in the preview as students get it", async ({ signedIn }) => {
  const page = await signedIn("Aud Fennimore", { at: "about:blank" });
  await new EditorPage(page).makeNew("Questions of every kind", "All of them");
  const names = [
    "Sort into groups",
    "Place on a number line",
    "Bars to draw",
    "Points to plot",
    "Words to mark",
    "Table to fill",
    "Students draw",
  ];
  for (const name of names) {
    await page.getByRole("button", { name: "Question …" }).click();
    await page.getByRole("menuitem", { name, exact: true }).click();
    const question = page.getByRole("region", { name, exact: true });
    await write(question.getByRole("textbox", { name: "What is asked" }), `About: ${name}`);
    if (name === "Sort into groups") {
      for (const at of [1, 2]) await question.getByLabel(`Group ${at}`, { exact: true }).fill(`Group ${at}`);
      for (const at of [1, 2, 3, 4])
        await question.getByLabel(`Thing to sort ${at}`, { exact: true }).fill(`Thing ${at}`);
    }
    if (name === "Bars to draw") await question.getByLabel("Bar 1", { exact: true }).fill("May");
    if (name === "Points to plot") {
      await question.getByRole("application").focus();
      await page.keyboard.press("ArrowRight");
      await page.keyboard.press("Space");
    }
    if (name === "Words to mark") {
      await question.getByLabel("Passage").fill("A cold wind and a warm boat");
      await question.getByRole("button", { name: "warm" }).click();
      await question.getByLabel("Passage").fill("Today a cold wind and a warm boat");
      await expect(question.getByRole("button", { name: "warm" })).toHaveAttribute("aria-pressed", "true");
    }
    if (name === "Table to fill") await question.getByLabel("Row 2, column 2").fill("[12|twelve]");
  }
  await expect(page.getByText("Nothing to fix.")).toBeVisible();
  await expect(page.getByText(/saved \d/)).toBeVisible();
  await page.getByRole("button", { name: "See as student" }).click();
  for (const name of names) await expect(page.getByText(`About: ${name}`)).toBeVisible();
});

test("a place on a map: she sets what is right, a student marks it with the arrow keys or a finger", async ({
  signedIn,
}) => {
  const page = await signedIn("Ines Halloran", { at: "/find?words=finding+the+way+on+the+map&mode=work&step=2" });
  const map = page.getByRole("application", { name: /^A buoy lies halfway/ });
  await map.focus();
  // From the middle, F5: one square to the right is too far.
  await page.keyboard.press("ArrowRight");
  await expect(page.getByText("Square G5")).toBeAttached();
  await page.keyboard.press("Space");
  await page.getByRole("button", { name: "Check" }).last().click();
  await expect(page.getByText("Not yet. Try again.")).toBeVisible();
  await map.focus();
  await page.keyboard.press("ArrowLeft");
  await page.keyboard.press("Space");
  await expect(page.getByRole("button", { name: "Take away F5" })).toBeVisible();
  await page.getByRole("button", { name: "Check" }).last().click();
  await expect(right(page)).toHaveCount(1);
  await page.getByRole("button", { name: "Take away F5" }).click();
  await expect(page.getByText("Mark a place.")).toBeVisible();

  await adapt(page);
  await page.getByText("Which way?").first().click();
  await expect(page.getByRole("button", { name: /^Right place 1, F5/ })).toBeVisible();
  await page.getByRole("button", { name: "Another right place" }).click();
  await page.getByRole("button", { name: /^Right place 2, F5/ }).focus();
  for (let press = 0; press < 12; press += 1) await page.keyboard.press("ArrowLeft");
  await expect(page.getByRole("button", { name: /^Right place 2, D5/ })).toBeVisible();
  await expect(page.getByLabel("Places to mark")).toHaveValue("2");
  await page.getByLabel("How close to place 2").press("Home");
  await expect(page.getByText("very close")).toBeVisible();
  await page.getByRole("button", { name: "See as student" }).click();
  await expect(page.getByText("Mark up to 2 places.").first()).toBeVisible();
});

test("a child sorts, labels, fills and draws on a phone; the teacher sees the drawing itself", async ({ signedIn }) => {
  const teacher = await signedIn("Judit Varga", { at: "about:blank" });
  await giveNow(teacher, { words: "what the ebb lays bare", group: "7 Cormorant", to: ["Adan Rey"] });

  const student = await signedIn("Adan Rey", { phone: true });
  await student
    .getByRole("link", { name: /What the ebb lays bare/ })
    .first()
    .click();
  await student.waitForURL(/student\/\d+/);
  await student.getByRole("group", { name: "To sort" }).getByRole("button", { name: "limpet" }).click();
  await student.getByRole("button", { name: "Put “limpet” into Animals" }).click();
  await expect(student.getByText("Kept", { exact: true })).toBeVisible();
  await student.reload();
  await student.getByRole("button", { name: /^Step 1/ }).click();
  await expect(student.getByRole("region", { name: "Animals" })).toContainText("limpet");

  await student.getByRole("button", { name: /^Step 2/ }).click();
  await student.getByRole("button", { name: "Place 3: no name yet" }).click();
  await student.getByRole("group", { name: "Names" }).getByRole("button", { name: "holdfast" }).click();
  await expect(student.getByRole("button", { name: "Place 3: holdfast" })).toBeVisible();

  await student.getByRole("button", { name: /^Step 4/ }).click();
  const sheet = student.getByRole("application");
  await sheet.scrollIntoViewIfNeeded();
  const box = (await sheet.boundingBox())!;
  await student.mouse.move(box.x + 30, box.y + 30);
  await student.mouse.down();
  await student.mouse.move(box.x + 150, box.y + 80, { steps: 6 });
  await student.mouse.up();
  await expect(sheet.getByRole("img")).toHaveAccessibleName("1 line drawn");
  await expect(student.getByText("Kept", { exact: true })).toBeVisible();

  await teacher.getByRole("link", { name: "Results" }).click();
  await teacher
    .getByRole("navigation", { name: "Assignments" })
    .getByRole("button", { name: /What the ebb lays bare/ })
    .click();
  const row = teacher.getByRole("row", { name: /Adan Rey/ });
  await expect(row).toContainText("at work");
  await row
    .getByRole("button", { name: /to read/ })
    .first()
    .click();
  const answer = teacher.getByRole("complementary", { name: "One answer" });
  await expect(answer.getByRole("img")).toHaveAccessibleName("1 line drawn");
  await expect(answer.getByRole("img").locator("path")).toHaveCount(1);
});

test("in another language the words to mark are marked anew", async ({ signedIn }) => {
  const page = await signedIn("Judit Varga", { at: "/find?words=what+the+ebb+lays+bare" });
  await adapt(page);
  const settings = page.getByRole("complementary", { name: "Settings" });
  await settings.getByRole("radio", { name: "The whole" }).click();
  await settings.getByLabel("Another language").fill("Spanish");
  await expect(settings.getByText("Adds español.")).toBeVisible();
  await settings.getByLabel("Another language").focus();
  await page.keyboard.press("Enter");
  await page.getByRole("radio", { name: "español" }).click();
  await page
    .getByRole("region", { name: "Steps" })
    .getByRole("button", { name: /^4.*What the warden wrote/ })
    .click();
  const words = page.getByRole("region", { name: "What is right" });
  await expect(words).toContainText("There: green · grey · red · brown");
  await expect(words).toContainText("Write the passage first.");
  await page.getByRole("textbox", { name: /^español: The green lettuce/ }).fill("La lechuga verde en la roca gris.");
  await expect(settings).toContainText("Nothing in the passage is to be marked, or not in every language.");
  await words.getByRole("button", { name: "verde" }).click();
  await words.getByRole("button", { name: "gris" }).click();
  await expect(words.getByRole("button", { name: "gris" })).toHaveAttribute("aria-pressed", "true");
  await expect(settings).not.toContainText("to be marked");
  // What is written before it does not move the marks to other words.
  await page
    .getByRole("textbox", { name: /^español: The green lettuce/ })
    .fill("Toda la lechuga verde en la roca gris.");
  await expect(words.getByRole("button", { name: "verde" })).toHaveAttribute("aria-pressed", "true");
});

test("units to choose, an answer that earns a share, and choices that are pictures", async ({ signedIn }) => {
  const page = await signedIn("Aud Fennimore", { at: "about:blank" });
  await new EditorPage(page).makeNew("Of ropes and stars");
  await page.getByRole("button", { name: "Write the first step" }).click();
  const question = async (name: string, asks: string) => {
    await page.getByRole("button", { name: "Question …" }).click();
    await page.getByRole("menuitem", { name, exact: true }).click();
    const made = page.getByRole("region", { name, exact: true });
    await write(made.getByRole("textbox", { name: "What is asked" }), asks);
    return made;
  };
  const number = await question("Number", "How long is the rope?");
  await number.getByLabel("Right answer").fill("2");
  await number.getByRole("button", { name: "Let students choose the unit" }).click();
  await number.getByRole("button", { name: "Unit", exact: true }).click();
  await number.getByLabel("Unit", { exact: true }).last().fill("kg");
  await number.getByRole("checkbox", { name: "kg is never right" }).click();
  const short = await question("Short answer", "Name these stars.");
  await short.getByLabel("Accepted answers, one a line").fill("Ursa Minor\nLittle Bear");
  await short.getByLabel("“Little Bear” earns").selectOption("50 % of the marks");
  const choice = await question("One choice", "Which is a boat?");
  const dot = Buffer.from(
    "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==",
    "base64",
  );
  await choice.getByLabel("Picture of option 1").setInputFiles({ name: "a.png", mimeType: "image/png", buffer: dot });
  await expect(choice.getByRole("button", { name: "Option 1 without its picture" })).toBeVisible();
  await choice.getByRole("radio", { name: "Option 1 is right" }).click();
  await expect(
    page.getByRole("button", { name: /^Step 1: A choice (is empty|is a picture without words)/ }),
  ).toBeVisible();
  for (const [at, text] of ["a yawl", "a gull", "a net"].entries())
    await choice.getByLabel(`Option ${at + 1}`, { exact: true }).fill(text);
  await expect(page.getByText("Nothing to fix.")).toBeVisible();
  await expect(page.getByText(/saved \d/)).toBeVisible();

  await page.getByRole("button", { name: "See as student" }).click();
  const check = (nth: number) => page.getByRole("button", { name: "Check" }).nth(nth).click();
  const seen = page.getByRole("region", { name: "The step" });
  await seen.getByRole("textbox").first().fill("200");
  await seen.getByRole("combobox").selectOption("cm");
  await check(0);
  await expect(right(page)).toBeVisible();
  await seen.getByRole("textbox").nth(1).fill("little bear");
  await check(1);
  await expect(page.getByText("Partly right", { exact: true })).toBeVisible();
  await expect(page.getByRole("radiogroup").locator("img")).toHaveCount(1);
  await page.getByText("a yawl").click();
  await check(2);
  await expect(right(page)).toHaveCount(2);
});
