import { expect, lines, lookFor, test } from "./fixture";
import { EditorPage } from "./pages/editor-page";

test("with the keyboard alone: thousands to a handful, with a blank from behind “and also…”", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  const trail = page.getByRole("list", { name: "How it was narrowed" });
  await page.keyboard.press("/");
  await page.keyboard.type("change");
  await page.keyboard.press("Enter");
  await expect(trail).toContainText("change");
  await page.getByRole("button", { name: "and also…" }).focus();
  await page.keyboard.press("Enter");
  await page.getByRole("menuitem", { name: /made for country/ }).focus();
  await page.keyboard.press("Enter");
  const countries = page.getByRole("listbox", { name: "Country" });
  const promised = await countries.getByRole("option", { name: /United States/ }).innerText();
  await page.keyboard.type("united s");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Escape");
  await expect(page).toHaveURL(/country=US/);
  await expect(trail.getByRole("listitem").last()).toContainText(promised.match(/[\d,]+$/)![0]);
  await expect(lines(page).first()).toContainText("Lemonade stand change");
  await expect(lines(page).first()).toContainText("for the United States");
  // What her class would stumble over is said, with the coins themselves.
  await expect(page.getByText(/made for the United States: \$/)).toBeVisible();
});

test("from a standard: the tree says what there is and what the class has met, and leads to it", async ({
  signedIn,
}) => {
  const page = await signedIn("Ines Halloran", { at: "/find" });
  await page.getByRole("link", { name: "Open the frameworks as a tree" }).click();
  const row = page.getByRole("listitem").filter({ hasText: "MA.5.M.2" }).last();
  await expect(row).toContainText("met");
  await page.getByText("Find and use elapsed time across hours, noon and midnight.").click();
  const chosen = page.getByRole("complementary", { name: "Chosen" });
  await expect(chosen).toContainText("EN.Ma.Y5.Me.1");
  await page.getByRole("checkbox", { name: "Choose MA.5.M.2", exact: true }).click();
  await chosen.getByRole("checkbox", { name: "Choose MA.4.M.1 too" }).click();
  await chosen.getByRole("button", { name: "Show what covers them" }).click();
  await page.waitForURL(/standard=/);
  await expect(page.getByRole("button", { name: /^Standard: MA\.5\.M\.2 or MA\.4\.M\.1/ })).toBeVisible();
  await expect(lines(page).first()).toContainText(/tide table|timetable/);
});

test("from a code, an ISBN and a colleague's name, typed among the words", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  await lookFor(page, "ma.5.m.2");
  await expect(page.getByText("MA.5.M.2: Find and use elapsed time")).toBeVisible();
  await expect(lines(page).first()).toContainText("Reading a tide table");
  await lookFor(page, "tides by brandt");
  await expect(page.getByText("By Teodor Brandt.")).toBeVisible();
  await expect(lines(page)).toHaveCount(1);
  await lookFor(page, "979-99-401-0024-7");
  await expect(page.getByText("is not an ISBN: a digit is wrong")).toBeVisible();
});

test("the wrong edition is not packed by accident", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  await lookFor(page, "979-99-401-0017-8");
  await expect(lines(page)).toHaveCount(1);
  await page.getByRole("radio", { name: "2 editions" }).click();
  const year = page.getByRole("row", { name: /Year/ });
  await expect(year).toContainText("≠");
  await expect(year).toContainText("2011");
  await expect(year).toContainText("2023");
  await page.getByRole("button", { name: "The Otter of Long Skerry (new edition)" }).click();
  await expect(page.getByRole("heading", { name: "The Otter of Long Skerry (new edition)", level: 1 })).toBeVisible();
});

test("two candidates side by side: what differs is marked, and their steps go on together", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  await lookFor(page, "giving change");
  await expect(lines(page).first()).toContainText("Change from the market stall");
  await page.keyboard.press("c");
  await expect(page.getByText("1 to compare")).toBeVisible();
  await page.keyboard.press("j");
  await expect(lines(page).nth(1).getByRole("button").first()).toHaveAttribute("aria-current", "true");
  await page.keyboard.press("c");
  await page.getByRole("link", { name: "Compare 2" }).click();
  const facts = page.getByRole("table", { name: "Facts side by side" });
  await expect(facts.getByRole("row", { name: /Made for/ })).toContainText("≠");
  await expect(facts.getByRole("row", { name: /^Licence/ })).not.toContainText("≠");
  await expect(page.getByRole("heading", { name: /Step 1 of/ })).toBeVisible();
  await page.keyboard.press("ArrowRight");
  await expect(page.getByRole("heading", { name: /Step 2 of/ })).toBeVisible();
  await page.getByRole("button", { name: "Back to the list" }).click();
  await expect(lines(page).first()).toContainText("Change from the market stall");
});

test("versions of one thing are one line, until they are unfolded", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  await lookFor(page, "reading a tide table");
  const fold = page.getByRole("button", { name: /versions, \d at your school/ });
  await expect(fold).toHaveAttribute("aria-expanded", "false");
  const before = await lines(page).filter({ hasText: "in pairs" }).count();
  expect(before).toBe(0);
  await fold.click();
  await expect(lines(page).filter({ hasText: "Reading a tide table in pairs" })).toBeVisible();
  await fold.click();
  await expect(lines(page).filter({ hasText: "in pairs" })).toHaveCount(0);
});

test("a kept need says what is new since, and marks it", async ({ signedIn }) => {
  const ines = await signedIn("Ines Halloran");
  await lookFor(ines, "barnacle chorus");
  await expect(ines.getByRole("heading", { name: "No results for all of this" })).toBeVisible();
  await ines.getByRole("button", { name: "Save this search" }).click();
  await expect(ines.getByText("Saved", { exact: true })).toBeVisible();

  // Teodor makes something of the sort and puts it in the staffroom.
  const teodor = await signedIn("Teodor Brandt", { at: "about:blank" });
  await new EditorPage(teodor).makeNew("The barnacle chorus");
  await teodor.getByRole("region", { name: "Steps" }).getByRole("button", { name: /step$/i }).click();
  await teodor.getByLabel("Title of the step").fill("Listen at low water");
  await expect(teodor.getByText(/saved \d/)).toBeVisible();
  await teodor.getByRole("button", { name: "Publish", exact: true }).click();
  await expect(teodor.getByText(/Published as revision 1/)).toBeVisible();
  await teodor.waitForURL(/\/satchel/);
  await expect(teodor.getByRole("heading", { name: "The barnacle chorus", level: 1 })).toBeVisible();
  await teodor.keyboard.press("h");
  await expect(teodor.getByLabel("Share in one line")).toBeFocused();
  await teodor.keyboard.press("Enter");
  await expect(teodor.getByText("It is in the staffroom now.")).toBeVisible();

  await ines.goto("/find");
  const kept = ines
    .getByRole("listitem")
    .filter({ has: ines.getByRole("button", { name: "Delete “barnacle chorus”" }) });
  await expect(kept).toContainText("1 new");
  await kept.getByRole("button", { name: /^barnacle/ }).click();
  await expect(lines(ines).first()).toContainText("new · Teodor Brandt");
  await ines.goto("/find");
  await expect(kept).toContainText("nothing new");
  await kept.getByRole("button", { name: /^Delete/ }).click();
  await expect(kept).toHaveCount(0);
  await ines.getByRole("button", { name: "Undo" }).click();
  await expect(kept).toContainText("nothing new");
});

test("how it went is told to the school and nobody else", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  await lookFor(page, "tides at the bar");
  await page.getByRole("radio", { name: "Colleagues" }).click();
  const form = page.getByRole("form", { name: "How it went" });
  await form.getByRole("button", { name: "Tell my school" }).click();
  await expect(form.getByRole("alert")).toContainText("Choose at least one word");
  await form.getByRole("checkbox", { name: "too hard" }).click();
  await form.getByLabel("In your words, if you like").fill("Nobody got past the first sentence.");
  await form.getByRole("button", { name: "Tell my school" }).click();
  await expect(page.getByRole("region", { name: "What colleagues said" })).toContainText("Nobody got past");

  const colleague = await signedIn("Rona Sundin");
  await lookFor(colleague, "tides at the bar");
  await colleague.getByRole("radio", { name: "Colleagues (1)" }).click();
  await expect(colleague.getByText("Nobody got past the first sentence.")).toBeVisible();

  const elsewhere = await signedIn("Judit Varga");
  await lookFor(elsewhere, "tides at the bar");
  await elsewhere.getByRole("radio", { name: "Colleagues" }).click();
  await expect(elsewhere.getByText("No one at your school has said how it went yet.")).toBeVisible();
});

test("one that looks perfect says that it is far too hard, and which words make it so", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  await lookFor(page, "tides at the bar");
  await expect(page.getByText("Does not fit 5 Kittiwake.")).toBeVisible();
  await expect(page.getByText(/far above everyone: 5 Kittiwake reads at 3\.4 to 6\.2/).last()).toBeVisible();
  await page.getByRole("radio", { name: "Facts" }).click();
  await expect(page.getByText("gravitational", { exact: false }).first()).toBeVisible();
  await expect(page.getByRole("heading", { name: "The hardest sentences" })).toBeVisible();
});

test("why it is here is told when asked, and the board shows no answers", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  await lookFor(page, "reading a tide table");
  await page.getByRole("button", { name: "Why here?" }).click();
  const reasons = page.getByRole("status", { name: "Why it is here" });
  await expect(reasons).toContainText("is in its title");
  await expect(reasons).toContainText("at your school used it");
  const [board] = await Promise.all([page.waitForEvent("popup"), page.getByRole("link", { name: "Board" }).click()]);
  await expect(board.getByRole("heading", { name: "Reading a tide table", level: 1 })).toBeVisible();
  await board.waitForLoadState("networkidle");
  await board.keyboard.press("ArrowRight");
  await expect(board.getByText("2 of 5")).toBeVisible();
  await expect(board.getByText("forget the minutes")).toHaveCount(0);
});

test("nothing left: each blank says how many it would bring back", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran", { at: "/find?words=kelp&grades=12&subject=music" });
  await expect(page.getByRole("heading", { name: "No results for all of this" })).toBeVisible();
  const way = page.getByRole("listitem").filter({ hasText: "gives" }).or(page.getByText("still nothing"));
  await expect(way.first()).toBeVisible();
  await page.goto("/find?words=kelp&grades=12");
  const loosen = page.getByRole("listitem").filter({ hasText: "gives" }).first();
  const count = (await loosen.innerText()).match(/gives ([\d,]+)/)![1]!;
  await loosen.getByRole("button", { name: "grade 12" }).click();
  await expect(page.getByRole("list", { name: "How it was narrowed" }).getByRole("listitem").last()).toContainText(
    count,
  );
});

test("a curator brings in a framework; a file that is none is refused with the place; a teacher is not offered it", async ({
  signedIn,
  expectTrouble,
}) => {
  expectTrouble(/422/);
  const teacher = await signedIn("Ines Halloran", { at: "/find/standards" });
  await expect(teacher.getByRole("heading", { name: "From a standard" })).toBeVisible();
  await expect(teacher.getByRole("button", { name: "Import a framework" })).toHaveCount(0);

  const page = await signedIn("Mercy Adeyemi", { at: "/find/standards" });
  const file = page.getByLabel("A framework as CASE 1.0 JSON");
  const framework = (items: object[]) => ({
    name: "music.json",
    mimeType: "application/json",
    buffer: Buffer.from(
      JSON.stringify({ CFDocument: { identifier: "music", title: "Music of the isles" }, CFItems: items }),
    ),
  });
  await file.setInputFiles(framework([{ identifier: "a", humanCodingScheme: "MU.1", fullStatement: " " }]));
  await expect(page.getByText("CFItems.0.fullStatement: has no fullStatement. Nothing was changed.")).toBeVisible();
  await file.setInputFiles(framework([{ identifier: "a", humanCodingScheme: "MU.1", fullStatement: "Clap a beat." }]));
  await expect(page.getByText("“Music of the isles”: 1 statements added, 0 changed, 0 withdrawn.")).toBeVisible();
  await page.getByLabel("Framework", { exact: true }).selectOption({ label: "Music of the isles" });
  await expect(page.getByText("Clap a beat.")).toBeVisible();
});

test("an author she follows has something new to say on the first page", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  await lookFor(page, "storm words");
  await page.getByRole("button", { name: "Follow", exact: true }).click();
  await expect(page.getByRole("button", { name: "Following" })).toBeVisible();
  await page.goto("/find");
  const followed = page.getByRole("listitem").filter({ hasText: "nothing new" });
  await expect(followed.filter({ hasText: "Rona Sundin" })).toBeVisible();
  // What she looked at is there too.
  await expect(page.getByRole("heading", { name: "You looked at" })).toBeVisible();
});
