import type { Page } from "@playwright/test";
import { expect, test } from "../fixture";
import { nothingSerious } from "../pages/accessible";
import { LeadPage } from "../pages/lead-page";
import { Walk } from "./walk";

const writing = (page: Page) => page.getByRole("textbox", { name: /what you would expect to find/ });

test("a pair writes on one page, the class on another; it is held still, put back and split again", async ({
  signedIn,
  expectTrouble,
}) => {
  test.slow();
  // One of them is without a network for a moment.
  expectTrouble(/ERR_INTERNET_DISCONNECTED/);
  const ines = await signedIn("Ines Halloran");
  const lesson = new LeadPage(ines, "What the ebb lays bare");
  await lesson.find();
  await lesson.lead();
  const children: Page[] = [];
  for (const name of ["Sunniva Dale", "Liv Torsen"]) {
    const child = await signedIn(name, { phone: true });
    await lesson.join(child);
    children.push(child);
  }
  const [sunniva, liv] = children as [Page, Page];
  const board = await lesson.openBoard();
  await lesson.begin();
  for (let step = 1; step < 5; step += 1) await ines.keyboard.press("ArrowRight");
  await expect(writing(sunniva)).toBeVisible();
  await writing(liv).fill("My own words.");

  const dialog = ines.getByRole("dialog", { name: "How they work on this step" });
  const walk = new Walk(ines, "a pair shares one page", 5);
  await walk.key("g");
  await walk.click(dialog.getByRole("radio", { name: "in pairs" }));
  await walk.click(dialog.getByRole("checkbox", { name: "They write on one page together" }));
  await walk.click(dialog.getByRole("button", { name: "Make pairs" }));
  await walk.click(dialog.getByRole("button", { name: "Use this" }));
  walk.done();
  await expect(sunniva.getByText(/You are all writing on one page/)).toBeVisible();
  await expect(writing(liv)).toHaveValue("");

  await writing(sunniva).pressSequentially("Limpets hold on. ");
  await expect(writing(liv)).toHaveValue("Limpets hold on. ");
  // Both at the same time, Liv in front of what Sunniva goes on with: no letter is lost, no caret jumps.
  await writing(liv).press("Control+Home");
  await Promise.all([
    writing(sunniva).pressSequentially("Crabs hide under stones.", { delay: 30 }),
    writing(liv).pressSequentially("We think: ", { delay: 60 }),
  ]);
  const whole = "We think: Limpets hold on. Crabs hide under stones.";
  for (const child of children) await expect(writing(child)).toHaveValue(whole);
  // Taking back takes back her own.
  await writing(liv).press("Control+z");
  for (const child of children) await expect(writing(child)).toHaveValue(whole.slice("We think: ".length));
  await nothingSerious(sunniva);

  const page = ines.getByRole("region", { name: "Written together" });
  await expect(page).toContainText("Crabs hide under stones.");
  // Without a network she goes on, and it arrives later.
  await liv.context().setOffline(true);
  await writing(liv).press("Control+End");
  await writing(liv).pressSequentially(" And weed.");
  await writing(sunniva).press("Control+End");
  await writing(sunniva).pressSequentially(" Yes!");
  await liv.context().setOffline(false);
  for (const child of children) {
    await expect(writing(child)).toHaveValue(/ And weed\./, { timeout: 30_000 });
    await expect(writing(child)).toHaveValue(/ Yes!/);
  }

  await page.getByRole("button", { name: "Pause writing" }).click();
  await expect(sunniva.getByText(/Writing is paused/)).toBeVisible();
  await expect(writing(sunniva)).not.toBeEditable();
  await page.getByRole("button", { name: "Let them write" }).click();
  await expect(writing(sunniva)).toBeEditable();

  await page.getByRole("button", { name: /Limpets hold on/ }).click();
  const record = ines.getByRole("dialog", { name: /Sunniva, Liv|Liv, Sunniva/ });
  await expect(record.getByLabel("Who wrote what")).toContainText("Sunniva:");
  await nothingSerious(ines);
  await record
    .getByRole("button", { name: /^Undo from here/ })
    .last()
    .click();
  for (const child of children) await expect(writing(child)).toHaveValue("");
  // The last thing done is her own putting back: before it everything was there.
  await record.getByRole("button", { name: /^Undo from here: A teacher/ }).click();
  for (const child of children) await expect(writing(child)).toHaveValue(/And weed/);
  await ines.keyboard.press("Escape");

  // The whole class on one page is asked about once more, and is on the wall.
  await ines.keyboard.press("g");
  await dialog.getByRole("radio", { name: "the whole class" }).click();
  await dialog.getByRole("button", { name: "Use this" }).click();
  await expect(dialog.getByText(/write on one page at the same time/)).toBeVisible();
  await dialog.getByRole("button", { name: "Yes, one page for all" }).click();
  await expect(writing(sunniva)).toHaveValue("");
  await writing(sunniva).fill("All of us.");
  await expect(writing(liv)).toHaveValue("All of us.");
  await expect(board.getByText("All of us.")).toBeVisible();

  // Split again, each goes on from there; alone, her own words are as they were.
  await ines.keyboard.press("g");
  await dialog.getByRole("radio", { name: "in groups" }).click();
  await dialog.getByLabel("How many in a group").fill("2");
  await dialog.getByRole("button", { name: "Make groups" }).click();
  await dialog.getByRole("button", { name: "Use this" }).click();
  await expect(sunniva.getByText(/In your group/)).toBeVisible();
  await ines.keyboard.press("g");
  await dialog.getByRole("button", { name: /^As the lesson says/ }).click();
  await expect(writing(liv)).toHaveValue("My own words.");
  await liv.getByText("What you made together").click();
  await expect(liv.getByRole("group").filter({ hasText: "What you made together" })).toContainText(/hold on|All of us/);
});
