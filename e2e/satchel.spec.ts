import { expect, test } from "./fixture";
import { EditorPage } from "./pages/editor-page";

test("pockets: make, rename, put in, take out, and sort until nothing is left without one", async ({ signedIn }) => {
  const page = await signedIn("Rona Sundin", { at: "/satchel" });
  const pockets = page.getByRole("navigation", { name: "Pockets" });
  const count = page.getByRole("button", { name: /^Not in any pocket/ });
  await expect(count).toContainText("7");

  await pockets.getByRole("button", { name: "New pocket" }).click();
  await page.getByLabel("Name of the new pocket").fill("Close reading");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Close reading" })).toBeVisible();
  await expect(page.getByRole("heading", { name: "This pocket is empty" })).toBeVisible();

  await count.click();
  await page.getByRole("checkbox", { name: "Tick The keeper's letter" }).click();
  await page.getByRole("checkbox", { name: "Tick Storm words" }).click();
  await page.getByRole("toolbar", { name: "With what is ticked" }).getByRole("button", { name: "Put into" }).click();
  await page.getByRole("menuitem", { name: "Close reading" }).click();
  await expect(page.getByText("Put 2 things into “Close reading”.")).toBeVisible();
  await expect(count).toContainText("5");

  // Taken back with the key, and done again.
  await page.keyboard.press("u");
  await expect(count).toContainText("7");
  await page.getByRole("checkbox", { name: "Tick all" }).click();
  await page.getByRole("button", { name: "Put into" }).click();
  await page.getByRole("menuitem", { name: "Close reading" }).click();
  await expect(page.getByRole("heading", { name: "All sorted" })).toBeVisible();

  await pockets.getByRole("button", { name: "More for Close reading" }).click();
  await page.getByRole("menuitem", { name: "Rename" }).click();
  await page.getByLabel("New name of Close reading").fill("Reading closely");
  await page.keyboard.press("Enter");
  await pockets.getByRole("button", { name: /^Reading closely/ }).click();

  await page.getByRole("checkbox", { name: "Tick Storm words" }).click();
  await page.getByRole("button", { name: "Take out of this pocket" }).click();
  await expect(count).toContainText("1");

  await pockets.getByRole("button", { name: "More for Reading closely" }).click();
  await page.getByRole("menuitem", { name: "Remove the pocket" }).click();
  await expect(count).toContainText("7");
  await page.keyboard.press("u");
  await expect(pockets.getByRole("button", { name: /^Reading closely/ })).toContainText("6");
});

test("two pockets of one name are refused, and what was typed stays", async ({ signedIn }) => {
  const page = await signedIn("Mercy Adeyemi", { at: "/satchel" });
  for (const again of [false, true]) {
    await page.getByRole("button", { name: "New pocket" }).click();
    await page.getByLabel("Name of the new pocket").fill("Openers");
    await page.keyboard.press("Enter");
    if (again) {
      await expect(page.getByText("You have a pocket of that name already.")).toBeVisible();
      await expect(page.getByLabel("Name of the new pocket")).toHaveValue("Openers");
    } else await expect(page.getByRole("heading", { name: "Openers" })).toBeVisible();
  }
});

test("what is taken out of the satchel can be brought back, own and packed alike", async ({ signedIn }) => {
  const page = await signedIn("Linnea Strand", { at: "/find?words=ferry+fares" });
  await page.getByRole("button", { name: "Pack" }).click();
  await expect(page.getByText("Packed “Ferry fares”.")).toBeVisible();
  await page.goto("/satchel");
  const everything = page.getByRole("button", { name: /^Everything/ });
  const before = await everything.innerText();
  await page.getByRole("checkbox", { name: "Tick Ferry fares" }).click();
  await page.getByRole("checkbox", { name: "Tick Counting puffins" }).click();
  await page.getByRole("button", { name: "More actions for what is ticked" }).click();
  await page.getByRole("menuitem", { name: "Take out of the satchel" }).click();
  await expect(
    page.getByText("Took 2 things out of your satchel. What is your own is under “Put away”."),
  ).toBeVisible();
  await expect(page.getByRole("button", { name: /^Put away/ })).toHaveText("Put away1");
  await expect(page.getByRole("checkbox", { name: "Tick Counting puffins" })).toHaveCount(0);
  await page.keyboard.press("u");
  await expect(everything).toHaveText(before.replace(/\s+/g, ""));
  await expect(page.getByRole("checkbox", { name: "Tick Counting puffins" })).toBeVisible();
});

test("narrowed at once, kept in the address, and taken along as a list", async ({ signedIn }) => {
  const page = await signedIn("Teodor Brandt", { at: "/satchel" });
  const lines = page.getByRole("list", { name: "Everything in my satchel" }).getByRole("listitem");
  await expect(lines.first()).toBeVisible();
  const all = await lines.count();
  await page.getByRole("button", { name: "Narrow" }).click();
  const kind = page.getByLabel("Kind");
  const choice = await kind.locator("option").nth(1).innerText();
  await kind.selectOption({ index: 1 });
  await expect(lines).toHaveCount(Number(/\((\d+)\)/.exec(choice)![1]));
  await page.reload();
  await expect(lines).toHaveCount(Number(/\((\d+)\)/.exec(choice)![1]));
  await page.getByLabel("Words in my satchel").fill("nothing is called so");
  await expect(page.getByRole("heading", { name: "Nothing here matches that" })).toBeVisible();
  await page.getByRole("button", { name: /^Show all \d+ again/ }).click();
  await expect(lines).toHaveCount(all);
  const download = page.waitForEvent("download");
  await page.getByRole("link", { name: "Download this list (CSV)" }).click();
  expect((await download).suggestedFilename()).toBe("satchel.csv");
});

test("a pocket stands inside another, moves with the menu, and says what it is for", async ({ signedIn }) => {
  const page = await signedIn("Marcus Osei", { at: "/satchel" });
  const pockets = page.getByRole("navigation", { name: "Pockets" });
  for (const name of ["Autumn", "Winter", "First week"]) {
    await page.getByRole("button", { name: "New pocket" }).click();
    await page.getByLabel("Name of the new pocket").fill(name);
    await page.keyboard.press("Enter");
    await expect(page.getByRole("heading", { name, level: 1 })).toBeVisible();
  }
  const choose = async (pocket: string, item: string) => {
    await pockets.getByRole("button", { name: `More for ${pocket}` }).click();
    await page.getByRole("menuitem", { name: item }).click();
  };
  const order = () => pockets.getByRole("listitem").allInnerTexts();
  await choose("First week", "Put inside “Autumn”");
  await expect
    .poll(async () => (await order()).slice(2).map((text) => text.split("\n")[0]))
    .toEqual(["Autumn", "First week", "Winter"]);
  await choose("Winter", "Up");
  await expect
    .poll(async () => (await order()).slice(2).map((text) => text.split("\n")[0]))
    .toEqual(["Winter", "Autumn", "First week"]);
  await page.keyboard.press("u");
  await expect
    .poll(async () => (await order()).slice(2).map((text) => text.split("\n")[0]))
    .toEqual(["Autumn", "First week", "Winter"]);
  await pockets.getByRole("button", { name: /^Autumn/ }).click();
  await expect(page.getByRole("heading", { name: "Autumn", level: 1 })).toBeVisible();
  await page.getByRole("button", { name: "Say what this pocket is for" }).click();
  await page.getByLabel("What this pocket is for", { exact: true }).fill("Until the clocks change.");
  await page.getByRole("button", { name: "Keep", exact: true }).click();
  await expect(page.getByRole("region", { name: "Autumn" }).getByText("Until the clocks change.")).toBeVisible();
});

test("words of her own, a copy, a colour; and an original that was withdrawn says so", async ({ signedIn }) => {
  const page = await signedIn("Bettina Rask", { at: "about:blank" });
  const author = await signedIn("Lucia Quispe", { at: "/satchel" });
  const title = "Saludos en el puerto – Spanish greetings";

  await new EditorPage(page).makeNew("Friday opener");
  await page.goto("/satchel");
  const list = page.getByRole("list", { name: "Everything in my satchel" });
  const tick = (name: string) => page.getByRole("checkbox", { name: `Tick ${name}`, exact: true }).click();
  await tick("Friday opener");
  await page.getByLabel("Add my own label to what is ticked").fill("short");
  await page.keyboard.press("Enter");
  await expect(list.getByText(/· short/)).toBeVisible();
  await page.getByRole("button", { name: "More actions for what is ticked" }).click();
  await page.getByRole("menuitem", { name: "Duplicate" }).click();
  await expect(page.getByRole("checkbox", { name: "Tick Friday opener (copy)" })).toBeVisible();
  await page.getByLabel("Words in my satchel").fill("short");
  await expect(page.getByRole("checkbox", { name: "Tick Friday opener (copy)" })).toHaveCount(0);
  await expect(page.getByRole("checkbox", { name: "Tick Friday opener", exact: true })).toBeVisible();
  await page.getByLabel("Words in my satchel").fill("");

  await page.getByRole("button", { name: "New pocket" }).click();
  await page.getByLabel("Name of the new pocket").fill("Fridays");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "More for Fridays" }).click();
  await page.getByRole("menuitem", { name: "plum" }).click();
  await expect(page.getByText("“Fridays” is plum now.")).toBeVisible();
  await page.getByRole("button", { name: "More for Fridays" }).click();
  await expect(page.getByRole("menuitem", { name: "plum ✓" })).toBeVisible();
  await page.keyboard.press("Escape");

  await page.goto("/find?words=saludos+en+el+puerto");
  await page.getByRole("button", { name: "Pack" }).click();
  await expect(page.getByText(`Packed “${title}”.`)).toBeVisible();
  await author.getByRole("checkbox", { name: `Tick ${title}`, exact: true }).click();
  await author.getByRole("button", { name: "More actions for what is ticked" }).click();
  await author.getByRole("menuitem", { name: "Take out of the satchel" }).click();
  await expect(author.getByText(/^Took 1 thing/)).toBeVisible();
  await page.goto("/satchel");
  await expect(page.getByText(`No longer available: “${title}” (Lucia Quispe withdrew it).`)).toBeVisible();
  await author.keyboard.press("u");
  await expect(author.getByRole("checkbox", { name: `Tick ${title}`, exact: true })).toBeVisible();
  await page.reload();
  await expect(page.getByText("No longer available")).toHaveCount(0);
});

test("carried with the mouse: what is ticked into a pocket, a pocket to another place", async ({ signedIn }) => {
  const page = await signedIn("Aud Fennimore", { at: "/satchel" });
  const pockets = page.getByRole("navigation", { name: "Pockets" });
  for (const name of ["First", "Second", "Third"]) {
    await page.getByRole("button", { name: "New pocket" }).click();
    await page.getByLabel("Name of the new pocket").fill(name);
    await page.keyboard.press("Enter");
    await expect(page.getByRole("heading", { name, level: 1 })).toBeVisible();
  }
  await pockets.getByRole("button", { name: /^Everything/ }).click();
  await expect(page.getByRole("heading", { name: "Everything in my satchel" })).toBeVisible();
  const place = (name: RegExp) => pockets.getByRole("listitem").filter({ has: page.getByRole("button", { name }) });
  const carry = async (from: ReturnType<typeof page.locator>, to: ReturnType<typeof page.locator>) => {
    const [start, end] = [(await from.boundingBox())!, (await to.boundingBox())!];
    await page.mouse.move(start.x + start.width / 2, start.y + start.height / 2);
    await page.mouse.down();
    await page.mouse.move(start.x + 20, start.y + 20, { steps: 4 });
    await page.mouse.move(end.x + end.width / 2, end.y + end.height / 2, { steps: 8 });
    await page.mouse.up();
  };
  await page
    .getByRole("checkbox", { name: /^Tick / })
    .nth(1)
    .click();
  await page
    .getByRole("checkbox", { name: /^Tick / })
    .nth(2)
    .click();
  await carry(page.getByTitle(/^Carry “/).first(), place(/^Second/));
  await expect(page.getByText(/^Put [12] things? into “Second”\.$/)).toBeVisible();
  await expect(pockets.getByRole("button", { name: /^Second/ })).toContainText(/[12]/);
  await page.keyboard.press("u");
  await expect(pockets.getByRole("button", { name: /^Second/ })).toContainText("0");

  await carry(
    place(/^Third/)
      .locator("svg")
      .first(),
    place(/^First/),
  );
  await expect(page.getByText("Moved “Third”.")).toBeVisible();
  await expect
    .poll(async () => (await pockets.getByRole("listitem").allInnerTexts()).map((text) => text.split("\n")[0]))
    .toEqual(["Everything", "Not in any pocket", "Third", "First", "Second"]);
});
