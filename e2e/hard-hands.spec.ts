import { adapt, expect, giveNow, lines, test } from "./fixture";

// Hard hands: pressed too soon, left too early, no network, Back.

const title = (page: import("@playwright/test").Page) => page.getByLabel("Title", { exact: true });

test("forty words in Find answer at once, and the words that were too many are named", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  const words = Array.from({ length: 40 }, (_, at) => `tide${at % 20}`).join(" ");
  const began = Date.now();
  await page.goto(`/find?words=${encodeURIComponent(words)}`);
  await expect(page.getByText(/more than we can look for at once/)).toBeVisible();
  expect(Date.now() - began).toBeLessThan(10_000);
  await page.goto("/plan?from=9999-12-31");
  await expect(page.getByRole("heading", { name: /^Two weeks from/ })).toBeVisible();
});

test("a child answers and presses My work at once: it is kept, and Back shows it", async ({ signedIn }) => {
  const teacher = await signedIn("Judit Varga", { at: "about:blank" });
  await giveNow(teacher, { words: "a journal page one day at sea", group: "7 Cormorant", to: ["Adan Rey"] });
  const page = await signedIn("Adan Rey");
  await page
    .getByRole("link", { name: /Begin.*A journal page/ })
    .first()
    .click();
  await page.waitForURL(/student\/\d+/);
  await page.getByRole("button", { name: /^Step 3/ }).click();
  await page.getByRole("textbox").last().fill("The gate flew off.");
  await page.getByRole("link", { name: "My work" }).first().click();
  await expect(page.getByRole("heading", { name: "Now" })).toBeVisible();
  await page.goBack();
  await page.getByRole("button", { name: /^Step 3/ }).click();
  await expect(page.getByRole("textbox").last()).toHaveValue("The gate flew off.");
  await expect(page.getByText("Kept", { exact: true })).toBeVisible();
  // Elsewhere too: it did reach the school.
  const other = await signedIn("Adan Rey", { at: page.url() });
  await other.getByRole("button", { name: /^Step 3/ }).click();
  await expect(other.getByRole("textbox").last()).toHaveValue("The gate flew off.");
});

test("without a network a child's answer waits on the device, is shown on My work, and is sent from there", async ({
  signedIn,
  expectTrouble,
}) => {
  expectTrouble(/ERR_INTERNET_DISCONNECTED/, /Failed to fetch/);
  const teacher = await signedIn("Judit Varga", { at: "about:blank" });
  await giveNow(teacher, { words: "a journal page one day at sea", group: "7 Cormorant", to: ["Colm Tarrant"] });
  const page = await signedIn("Colm Tarrant");
  await page
    .getByRole("link", { name: /Begin.*A journal page/ })
    .first()
    .click();
  await page.waitForURL(/student\/\d+/);
  const address = page.url();
  await page.getByRole("button", { name: /^Step 3/ }).click();
  await page.context().setOffline(true);
  await page.getByRole("textbox").last().fill("Written at sea.");
  await expect(page.getByText("Kept here. No network yet")).toBeVisible();
  await page.context().setOffline(false);
  await page.goto("/student");
  await expect(page.getByText(/still on this device/)).toHaveCount(0);
  const other = await signedIn("Colm Tarrant", { at: address });
  await other.getByRole("button", { name: /^Step 3/ }).click();
  await expect(other.getByRole("textbox").last()).toHaveValue("Written at sea.");
});

test("a title typed just before Find is pressed is kept; Back shows it, and writing on blames nobody", async ({
  signedIn,
}) => {
  const page = await signedIn("Mercy Adeyemi", { at: "/find?words=storm+words" });
  await adapt(page);
  await expect(page.getByText(/saved \d/)).toBeVisible();
  await title(page).fill("In a great hurry");
  await page.getByRole("link", { name: "Find", exact: true }).click();
  await expect(page.getByLabel("About: words to look for")).toBeVisible();
  await page.goBack();
  await expect(title(page)).toHaveValue("In a great hurry");
  await title(page).fill("In no hurry");
  await expect(page.getByText(/saved \d/)).toBeVisible();
  await expect(page.getByText(/another window/)).toHaveCount(0);
  await page.reload();
  await expect(title(page)).toHaveValue("In no hurry");
});

test("putting all of it back and undoing that keeps what was written in between", async ({ signedIn }) => {
  const page = await signedIn("Judit Varga", { at: "/find?words=storm+words" });
  await adapt(page);
  await title(page).fill("Changed by me");
  await page.getByRole("button", { name: /^from .*revision/ }).click();
  await page.getByRole("button", { name: "Put all of it back" }).click();
  await expect(title(page)).not.toHaveValue("Changed by me");
  await page.getByRole("region", { name: "Steps" }).getByRole("button", { name: "Step", exact: true }).click();
  await page.getByLabel("Title of the step").fill("Written since");
  await page.getByRole("button", { name: "Undo" }).last().click();
  await expect(title(page)).toHaveValue("Changed by me");
  await expect(page.getByRole("region", { name: "Steps" })).toContainText("Written since");
});

test("a recording is kept when another step is picked while it runs", async ({ signedIn }) => {
  const page = await signedIn("Teodor Brandt", { at: "/find?words=the+lighthouse+cat" });
  await adapt(page);
  const voice = page.getByRole("group", { name: "My voice for these instructions" });
  await page
    .getByRole("button", { name: /^Speak|^Record/ })
    .first()
    .click();
  if (!(await voice.getByRole("meter").isVisible())) await voice.getByRole("button", { name: "Record" }).click();
  await expect(voice.getByRole("timer")).toContainText(/0:0[1-9] of/);
  const steps = page.getByRole("region", { name: "Steps" }).getByRole("listitem");
  const pick = (at: number) => steps.nth(at).getByRole("button").nth(1).click();
  await pick(1);
  await expect(voice.getByRole("meter")).toHaveCount(0);
  await pick(0);
  await expect(page.getByRole("button", { name: "Listen: My voice for these instructions" })).toBeVisible();
});

test("without a network: packing says it was not done, and a part that cannot be loaded says so in its place", async ({
  signedIn,
  expectTrouble,
}) => {
  expectTrouble(/ERR_INTERNET_DISCONNECTED/, /Failed to fetch/, /Failed to load/, /ChunkLoadError/, /chunk/i);
  const page = await signedIn("Marcus Osei", { at: "/find?words=fog+on+the+sound" });
  await lines(page).first().click();
  const pack = page.getByRole("button", { name: /^Pack/ });
  await expect(pack).toBeVisible();
  await page.context().setOffline(true);
  await pack.click();
  await expect(page.getByText("You are offline, so this was not done.").first()).toBeVisible();
  await expect(page.getByRole("button", { name: /^Pack/ })).toBeVisible();
  await page.context().setOffline(false);

  await page.goto("/find?words=storm+words");
  await adapt(page);
  await page.context().setOffline(true);
  await title(page).fill("Written offline");
  await page.getByRole("button", { name: "Take from elsewhere" }).click();
  await expect(page.getByText(/could not be loaded|did not answer/)).toBeVisible();
  await expect(title(page)).toHaveValue("Written offline");
  await page.context().setOffline(false);
  await expect(page.getByText(/saved \d/)).toBeVisible({ timeout: 15_000 });
});

test("assigning under hard hands: Enter twice assigns once, forty words break nothing, Ctrl+Enter passes over what is not understood", async ({
  signedIn,
}) => {
  const page = await signedIn("Marcus Osei", { at: "/find?words=lighthouse+signals&do=assign" });
  const line = page.getByLabel("Assign in one line");
  const said = page.getByRole("status", { name: "In words" });
  const words = Array.from({ length: 40 }, (_, n) => `word${n}`).join(" ");
  await line.fill(`now, ${words}`);
  await expect(page.getByRole("list", { name: "What the line says" }).getByRole("listitem")).toHaveCount(2);
  expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBe(0);

  await line.fill("now, due in 4 school days");
  await expect(said).toHaveAttribute("aria-busy", "false");
  const sent: string[] = [];
  page.on("request", (request) => {
    if (request.method() === "POST" && /"resources":/.test(request.postData() ?? "")) sent.push(request.postData()!);
  });
  await page.keyboard.press("Enter");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Control+Enter");
  await expect(page.getByText(/^Assigned to/)).toBeVisible();
  await expect(line).toHaveCount(0);
  const count = async () => {
    await page.goto("/plan?view=list");
    return page.getByRole("listitem").filter({ hasText: "Lighthouse signals" }).count();
  };
  const after = await count();
  expect(sent).toHaveLength(1);

  await page.goto("/find?words=lighthouse+signals&do=assign");
  await line.fill("now, soonish");
  await expect(said).toHaveAttribute("aria-busy", "false");
  await page.keyboard.press("Enter");
  await expect(page.getByText(/Press Ctrl\+Enter to assign without it/)).toBeVisible();
  await page.keyboard.press("Control+Enter");
  await expect(page.getByText(/^Assigned to/)).toBeVisible();
  expect(await count()).toBe(after + 1);
});

test("without a network what was typed to assign stays, and it goes out when the network is back", async ({
  signedIn,
  expectTrouble,
}) => {
  expectTrouble(/ERR_INTERNET_DISCONNECTED/);
  const page = await signedIn("Marcus Osei", { at: "/find?words=lighthouse+signals&do=assign" });
  const line = page.getByLabel("Assign in one line");
  await line.fill("now");
  await expect(page.getByRole("status", { name: "In words" })).toHaveAttribute("aria-busy", "false");
  await page.context().setOffline(true);
  await line.fill("now, due in 4 school days");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("region", { name: "Assign" }).getByRole("alert").first()).toBeVisible();
  await expect(line).toHaveValue("now, due in 4 school days");
  await page.context().setOffline(false);
  await line.fill("now, due in 5 school days");
  await expect(page.getByRole("status", { name: "In words" })).toContainText("due");
  await page.keyboard.press("Control+Enter");
  await expect(page.getByText(/^Assigned to/)).toBeVisible();
});
