import { expect, lines, lookFor, test, write } from "./fixture";
import { nothingSerious } from "./pages/accessible";
import { EditorPage } from "./pages/editor-page";

test("everything about the whole is set by its author, and her own work appears under a standard", async ({
  signedIn,
}) => {
  const page = await signedIn("Ines Halloran", { at: "about:blank" });
  await new EditorPage(page).makeNew("Fractions of a fishing line", "Cut the line");
  await page.getByRole("button", { name: "Text", exact: true }).click();
  await write(page.getByRole("textbox", { name: "Text", exact: true }), "Cut the line into quarters.");

  const settings = page.getByRole("complementary", { name: "Settings" });
  await settings.getByRole("radio", { name: "The whole" }).click();
  // Whatever class is in the bar: the tree shows what suits the grades first.
  await settings.getByLabel("To grade").selectOption("5");
  const standards = settings.getByRole("region", { name: "Standards" });
  // Suggested from the words of its title; others by words or a code; the rest from the tree.
  await expect(standards.getByText("Suggested from its words:")).toBeVisible();
  await standards.getByRole("list", { name: "Standards to add" }).getByRole("button").first().click();
  const code = "MA.5.M.2";
  await standards.getByLabel("Find a standard").fill("ma.5.m");
  await standards
    .getByRole("list", { name: "Standards to add" })
    .getByRole("button", { name: /^MA\.5\.M\.2/ })
    .click();
  await standards.getByLabel(`How ${code} is met`).selectOption("is assessed");
  await standards.getByRole("button", { name: "Choose from the tree" }).click();
  const tree = page.getByRole("dialog", { name: "Standards" });
  await expect(tree.getByRole("checkbox", { name: new RegExp(`^${code.replaceAll(".", "\\.")} `) })).toBeChecked();
  await page.keyboard.press("Escape");

  await settings.getByRole("button", { name: "Set minutes" }).click();
  await settings.getByLabel("Minutes", { exact: true }).fill("40");
  await expect(settings.getByText(/going by its steps. Both are shown/)).toBeVisible();
  await settings.getByLabel("Another topic").fill("fishing");
  await page.keyboard.press("Enter");
  await expect(settings.getByText("fishing", { exact: true })).toBeVisible();
  await settings.getByRole("button", { name: "Word", exact: true }).click();
  await expect(settings.getByText("A word in the word list is still empty.")).toBeVisible();
  await settings.getByLabel("Word 1", { exact: true }).fill("leader");
  await settings.getByLabel("What leader means").fill("the last piece of a fishing line");
  await settings.getByRole("checkbox", { name: "a printer" }).click();
  await settings.getByLabel("Made for").selectOption("the Skerry Isles");
  await settings.getByRole("button", { name: "It belongs to a book" }).click();
  await settings.getByLabel("Title of the book").fill("Lines and Knots");
  await settings.getByLabel("ISBN").fill("978-92-95055-12-5");
  await expect(settings.getByText(/That is not a valid ISBN/)).toBeVisible();
  await settings.getByLabel("ISBN").fill("978-92-95055-12-4");
  await expect(settings.getByText(/That is not a valid ISBN/)).toHaveCount(0);
  await write(settings.getByRole("textbox", { name: "Notes for teachers" }), "Have scissors ready.");
  await expect(settings.getByText("Nothing to fix.")).toBeVisible();
  await expect(page.getByText(/saved \d/)).toBeVisible();
  await nothingSerious(page);
  await page.getByRole("button", { name: "Publish", exact: true }).click();
  await expect(page.getByText(/Published as revision 1/)).toBeVisible();

  await page.goto(`/find?standard=${code}`);
  await lookFor(page, "fractions of a fishing line");
  await expect(lines(page).first()).toContainText("Fractions of a fishing line");
  await page.goto("/find?words=fractions+of+a+fishing+line&view=facts");
  await expect(page.getByText(/40 minutes, as its author says; about 5 going by its steps/)).toBeVisible();
});

test("a licence is said before a step is taken, and one press finds one that will do", async ({ signedIn }) => {
  const page = await signedIn("Judit Varga", { at: "about:blank" });
  await new EditorPage(page).makeNew("Taken together");
  const settings = page.getByRole("complementary", { name: "Settings" });
  await settings.getByRole("radio", { name: "The whole" }).click();
  await settings.getByLabel("Licence").selectOption("CC-BY-4.0");
  await page.getByRole("button", { name: "Take from elsewhere" }).click();
  await page.getByRole("radio", { name: "Resources" }).click();
  await page.getByLabel("Words to look for elsewhere").fill("the keeper");
  await page
    .getByRole("list", { name: "Found elsewhere" })
    .getByRole("button", { name: /CC BY-(NC-)?SA/ })
    .first()
    .click();
  await expect(page.getByText(/With a part of it, yours has to be under/)).toBeVisible();
  await page.getByRole("list", { name: "Its steps" }).getByRole("button", { name: "Put it in" }).first().click();
  await settings.getByRole("button", { name: /^Use “Attribution, / }).click();
  await expect(settings.getByText(/cannot be under/)).toHaveCount(0);
});
