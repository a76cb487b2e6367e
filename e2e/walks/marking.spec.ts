import { expect, test } from "../fixture";
import { nothingSerious } from "../pages/accessible";
import { ResultsPage } from "../pages/results-page";
import { Walk } from "./walk";

test("a child's writing is marked by a rubric with the keys alone, a colleague marks it too, and the child reads it", async ({
  signedIn,
}) => {
  const ines = await signedIn("Ines Halloran");
  await new ResultsPage(ines).open("Ferry fares");

  const walk = new Walk(ines, "from a result to a child's writing marked by a rubric", 4);
  await walk.key("5");
  const list = ines.getByRole("region", { name: "Answers" });
  // A second try finds it as the first has left it.
  const marked = Number((await list.getByRole("status").innerText()).split(" ")[0]);
  expect(marked).toBeGreaterThanOrEqual(14);
  await walk.key("Enter");
  await walk.key("3");
  await walk.key("2");
  await expect(list.getByRole("status")).toHaveText(new RegExp(`^${marked + 1} of`));
  walk.done();
  await ines.keyboard.press("u");
  await expect(list.getByRole("status")).toHaveText(new RegExp(`^${marked} of`));

  // What is said is kept as it is typed.
  const name = "Sunniva Dale";
  await list.getByRole("button", { name }).click();
  await ines.keyboard.press("3");
  await ines.keyboard.press("2");
  const panel = ines.getByRole("region", { name: `Marks for ${name}` });
  await ines.keyboard.press("c");
  await ines.keyboard.type("Show the sum you did.");
  await ines.keyboard.press("Escape");
  await expect(panel.getByText("Saved")).toBeVisible();
  // The two who marked nine of them agree in most.
  await expect(list.getByRole("region", { name: "Two markers" })).toContainText(
    /Ines and Rona: \d of 9 the same · kappa 0\.\d\d/,
  );
  await nothingSerious(ines);
  const address = new URL(ines.url());

  // A colleague sees that it was marked, and what was given once she has marked it herself.
  const rona = await signedIn("Rona Sundin", { at: address.pathname + address.search });
  const hers = rona.getByRole("region", { name: `Marks for ${name}` });
  await expect(hers).toContainText("Ines marked this too. You will see the mark once you have given yours.");
  await rona.keyboard.press("1");
  await rona.keyboard.press("1");
  await expect(hers.getByRole("list", { name: "Who marked it" })).toContainText(/Ines 3 of 4.*counts/s);

  const child = await signedIn(name, { at: "/student" });
  await child
    .getByRole("link", { name: /Ferry fares/ })
    .first()
    .click();
  await child.getByRole("button", { name: "Look at my answers" }).click();
  await child.getByRole("button", { name: /^Step 3/ }).click();
  await expect(child.getByText("Your teacher says: Show the sum you did.")).toBeVisible();
  await expect(child.getByText("Reason: Yes · Clear to the reader: Nearly")).toBeVisible();
});

test("a rubric is written, used and changed; a skill is judged from 1 to 4", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  await new ResultsPage(page).open("The keeper");
  await expect(page.getByRole("heading", { name: /^The keeper/, level: 1 })).toBeVisible();
  await page.keyboard.press("5");
  const way = page.getByLabel("Marked by");
  await way.selectOption("skill");
  const dialog = page.getByRole("dialog", { name: "New rubric" });
  await dialog.getByRole("button", { name: "Save" }).click();
  await expect(dialog.getByText("Name the rubric.")).toBeVisible();
  await dialog.getByRole("textbox", { name: "Name" }).fill("Writes so that it can be felt");
  await dialog.getByRole("button", { name: "Save" }).click();
  // Chosen, and not only there to choose: until then a digit is marks.
  await expect(way.locator("option:checked")).toHaveText("Writes so that it can be felt");
  await page.keyboard.press("3");
  const marks = page.getByRole("region", { name: /^Marks for/ });
  await expect(marks.getByRole("button", { name: /Secure/ })).toHaveAttribute("aria-pressed", "true");
  await expect(marks.getByText("Saved")).toBeVisible();

  await page.getByRole("button", { name: "Change …" }).click();
  const change = page.getByRole("dialog", { name: "Change the rubric" });
  await change.getByRole("button", { name: "Criterion", exact: true }).click();
  await change.getByRole("textbox", { name: "Criterion 2" }).fill("Spelling");
  await change.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("You gave 3 of 4 before this was changed.")).toBeVisible();
  await page.keyboard.press("4");
  await page.keyboard.press("4");
  await expect(page.getByRole("region", { name: "Answers" }).locator("[aria-current]")).toContainText("8");
});
