import type { Page } from "@playwright/test";
import { adapt, expect, onlyTo, test, write } from "./fixture";
import { SatchelPage } from "./pages/satchel-page";

const spine = (page: Page) => page.getByRole("region", { name: "Steps" });
const settings = (page: Page) => page.getByRole("complementary", { name: "Settings" });

/** Says something into the microphone for as long as it takes to be heard. */
async function record(page: Page, group: string): Promise<void> {
  const voice = page.getByRole("group", { name: group });
  await voice.getByRole("button", { name: "Record" }).click();
  await expect(voice.getByRole("meter", { name: "How loud it is" })).toBeVisible();
  await expect(voice.getByRole("timer")).toContainText(/0:0[1-9] of/);
  await voice.getByRole("button", { name: "Stop" }).click();
  await expect(voice.getByRole("button", { name: `Listen: ${group}` })).toBeVisible();
}

test("a colleague's lesson is made hers, voice and language and film; a student does it in Spanish", async ({
  signedIn,
}) => {
  test.setTimeout(150_000);
  const page = await signedIn("Marcus Osei", { at: "/find?words=harbour+in+twelve+hours" });
  await adapt(page);

  // Someone else’s voice does not go out unless she says so.
  await expect(settings(page)).toContainText("Ines Halloran speaks here: record yours, keep theirs, or take it out.");
  await expect(page.getByRole("button", { name: "Publish", exact: true })).toBeDisabled();
  await page.getByRole("button", { name: "Keep their voice and name" }).click();
  await expect(page.getByText("Students read: spoken by Ines Halloran.")).toBeVisible();
  await page.getByRole("radio", { name: "español" }).click();
  await page.getByRole("button", { name: "Record mine" }).click();
  await record(page, "My voice for these instructions");
  const mine = page.getByRole("group", { name: "My voice for these instructions" });
  await mine.getByRole("button", { name: /^Go on from/ }).click();
  await expect(mine.getByRole("timer")).toContainText(/0:0[2-9] of 3:00/);
  await page.waitForTimeout(1200);
  await mine.getByRole("button", { name: "Stop" }).click();
  await expect(mine.getByText(/0:00 \/ 0:0[2-9]/)).toBeVisible();
  await expect(settings(page)).toContainText("Nothing to fix.");

  // One more stop in the film, and it asks in both languages.
  await page.getByRole("radio", { name: "English" }).click();
  const film = page.getByRole("region", { name: "Film", exact: true });
  await film.getByLabel("Where in the film").fill("38");
  await film.getByRole("button", { name: "Stop here …" }).click();
  await page.getByRole("menuitem", { name: "Short answer" }).click();
  const stop = film.getByRole("list", { name: "Stops" }).getByRole("listitem").last();
  await expect(stop.getByText("0:38 · Short answer")).toBeVisible();
  // Carried along the film: by a tenth of a second with an arrow key, by a second with Shift.
  const mark = film.getByRole("slider", { name: /^Stop \d+ in the film$/ }).last();
  await mark.focus();
  await page.keyboard.press("Shift+ArrowRight");
  await expect(stop.getByText("0:39 · Short answer")).toBeVisible();
  await page.keyboard.press("ArrowLeft");
  await expect(stop.getByLabel(/^Stop \d+: seconds$/)).toHaveValue("38.9");
  await expect(settings(page)).toContainText("A question asks nothing yet.");
  await write(stop.getByRole("textbox", { name: "What is asked" }), "What is the tide called now?");
  await stop.getByLabel("Accepted answers, one a line").fill("flood");
  await stop.getByRole("checkbox", { name: "may be skipped" }).click();
  await expect(settings(page)).toContainText("1 of 29 texts are not written in Spanish yet.");
  await page.getByRole("radio", { name: "español" }).click();
  await write(
    page.getByRole("textbox", { name: /^español: What is the tide called now/ }),
    "¿Cómo se llama ahora la marea?",
  );
  await expect(settings(page)).not.toContainText("are not written");

  // Only the first step: the rest is for another day.
  await page.getByRole("radio", { name: "English" }).click();
  await spine(page).getByRole("button", { name: "several" }).click();
  for (const step of [/^Step 2/, /^Step 3/]) await spine(page).getByRole("checkbox", { name: step }).click();
  await spine(page).getByRole("button", { name: "Remove the chosen steps" }).click();
  await expect(page.getByText(/saved \d/)).toBeVisible();
  await page.getByRole("button", { name: "Publish", exact: true }).click();
  await expect(page.getByText(/Published as revision 1/)).toBeVisible();
  await page.waitForURL(/satchel/);
  await expect(page.getByRole("heading", { name: "The harbour in twelve hours", level: 1 })).toBeVisible();
  await page.keyboard.press("a");
  const panel = page.getByRole("region", { name: "Assign" });
  await panel.getByRole("radio", { name: "now" }).click();
  await onlyTo(panel, "7 Cormorant", ["Colm Tarrant"]);
  await panel.getByRole("button", { name: "Assign", exact: true }).click();
  await expect(page.getByText("Assigned to 7 Cormorant.")).toBeVisible();

  const student = await signedIn("Colm Tarrant", { phone: true });
  await student
    .getByRole("link", { name: /The harbour in twelve hours/ })
    .first()
    .click();
  await student.waitForURL(/student\/\d+/);
  await expect(student.getByText("Read by Ines Halloran")).toBeVisible();
  await student.getByLabel("Language").selectOption("es");
  await expect(student.getByText("Mira la película una vez hasta el final.")).toBeVisible();
  await expect(student.getByText("Read by Ines Halloran")).toHaveCount(0);
  await student.getByRole("button", { name: "Play the film" }).click();
  const waiting = student.getByRole("group", { name: /^The film waits at/ });
  await expect(waiting).toContainText("Mira el poste del muelle.", { timeout: 20_000 });
  await waiting.getByRole("button", { name: "Go on" }).click();
  await expect(waiting).toContainText("¿Cuándo baja más deprisa el agua?", { timeout: 20_000 });
  await expect(waiting.getByRole("button", { name: "Go on" })).toBeDisabled();
  // Nobody jumps over a stop that wants an answer.
  const line = student.getByLabel("Where in the film");
  await line.fill("40");
  expect(Number(await line.inputValue())).toBeLessThanOrEqual(14);
  // Nor by playing on, nor by opening it anew.
  await student.getByRole("button", { name: "Play the film" }).click();
  await student.waitForTimeout(700);
  expect(Number(await line.inputValue())).toBeLessThanOrEqual(14);
  await student.reload();
  await expect.poll(async () => Number(await line.inputValue())).toBeGreaterThan(13);
  await student.getByRole("button", { name: "Play the film" }).click();
  await expect(waiting).toContainText("¿Cuándo baja más deprisa el agua?");
  await waiting.getByText("En medio").click();
  await waiting.getByRole("button", { name: "Check" }).click();
  await expect(waiting.getByText("Right", { exact: true })).toBeVisible();

  // The lid is closed: begun again, the film stands where it was left, and the answer is there.
  await expect(student.getByText("Kept", { exact: true })).toBeVisible();
  await student.reload();
  await expect.poll(async () => Number(await student.getByLabel("Where in the film").inputValue())).toBeGreaterThan(13);
  await student.getByText("The question so far").click();
  await expect(student.getByRole("radio", { name: "En medio" })).toBeChecked();

  await student.getByRole("button", { name: "Next" }).click();
  await student.getByLabel("A photograph").setInputFiles({
    name: "wall.png",
    mimeType: "image/png",
    buffer: Buffer.from(
      "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==",
      "base64",
    ),
  });
  await expect(student.getByAltText("Photograph 1")).toBeVisible();
  await record(student, "my recording");
  await expect(student.getByText("Kept", { exact: true })).toBeVisible();
  await student.getByRole("button", { name: "To the end" }).click();
  await student.getByRole("button", { name: "Hand it in" }).click();
  await expect(student.getByText("Handed in")).toBeVisible();

  await page.goto("/results");
  await page
    .getByRole("button", { name: /The harbour in twelve hours/ })
    .first()
    .click();
  await expect(page.getByRole("heading", { name: "The harbour in twelve hours", level: 1 })).toBeVisible();
  const row = page.getByRole("row", { name: /Colm Tarrant/ });
  await row.getByRole("button").last().click();
  await expect(page.getByRole("button", { name: "Listen: what was said" })).toBeVisible();
});

test("things to find out with compute, and write what they show into the answer, by keyboard too", async ({
  signedIn,
}) => {
  const page = await signedIn("Rona Sundin", { at: "about:blank" });
  await new SatchelPage(page).open("Scales, coins and rulers");
  await page.keyboard.press("e");
  await page.waitForURL(/\/adapt\/\d+/);
  await page.getByRole("button", { name: "See as student" }).click();

  const balance = page.getByRole("region", { name: "Balance" });
  await expect(balance).toContainText("The left pan is heavier.");
  for (const weight of ["+ 500 g", "+ 200 g", "+ 100 g", "+ 50 g"]) {
    await balance.getByRole("button", { name: weight, exact: true }).focus();
    await page.keyboard.press("Enter");
  }
  await expect(balance).toContainText("It is level. On the right: 850 g.");
  await expect(page.getByRole("textbox", { name: "g", exact: true })).toHaveValue("850");
  await page.getByRole("button", { name: "Check" }).first().click();
  await expect(page.getByText("Right", { exact: true })).toBeVisible();

  const blocks = page.getByRole("region", { name: "Blocks of ten" });
  for (let hundred = 0; hundred < 3; hundred += 1)
    await blocks.getByRole("button", { name: "One more of the hundreds" }).click();
  await blocks.getByRole("region", { name: "hundreds" }).getByRole("button", { name: "one makes 10" }).click();
  await blocks.getByRole("region", { name: "tens" }).getByRole("button", { name: "one makes 10" }).click();
  await expect(blocks.locator("output").last()).toHaveText("300");
  await expect(page.getByRole("textbox", { name: "number", exact: true })).toHaveValue("300");

  await spine(page).getByRole("button", { name: /^2/ }).click();
  const coins = page.getByRole("region", { name: "Coins and notes" });
  for (const piece of ["$1.00 note", "$1.00 note", "$1.00 note", "$1.00 note", "$1.00 note"])
    await coins.getByRole("button", { name: piece, exact: true }).click();
  await expect(coins.getByRole("status")).toContainText("It could be done with 1.");

  await spine(page).getByRole("button", { name: /^4/ }).click();
  const end = page.getByRole("slider", { name: "the other end" });
  await end.focus();
  for (let step = 0; step < 4; step += 1) await page.keyboard.press("Shift+ArrowRight");
  await expect(page.getByRole("textbox", { name: "m", exact: true })).toHaveValue("3.9");
});
