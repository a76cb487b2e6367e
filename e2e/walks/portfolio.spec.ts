import { expect, test } from "../fixture";
import { nothingSerious } from "../pages/accessible";
import { ResultsPage } from "../pages/results-page";
import { Walk } from "./walk";

test("a child says why she is proud of something, and her family sees it by a link until the teacher ends it", async ({
  signedIn,
  browser,
  expectTrouble,
}) => {
  expectTrouble(/404/);
  const liv = await signedIn("Liv Torsen", { tablet: true });
  const mine = new Walk(liv, "from my work to why I am proud of it", 3);
  await mine.click(liv.getByRole("link", { name: /My portfolio/ }));
  await expect(liv.getByRole("heading", { name: /Kelp under glass/ })).toBeVisible();
  // Two school years, the newest first.
  await expect(liv.getByRole("heading", { level: 2 })).toHaveText([/School year/, /School year/]);
  const why = liv.getByRole("textbox", { name: "Why did you choose this?" }).first();
  await mine.click(why);
  await why.fill("Aisha and I read it aloud. I like my ending.");
  await mine.key("Tab");
  await expect(liv.getByRole("status").filter({ hasText: "Kept" })).toBeVisible();
  mine.done();
  await nothingSerious(liv);
  // Taken out by mistake, it is put back with what was said.
  await liv.getByRole("button", { name: /Take out ?: Kelp/ }).click();
  await liv.getByRole("button", { name: "Put back" }).click();
  await expect(liv.getByRole("button", { name: /Take out ?: Kelp/ })).toBeVisible();

  const ines = await signedIn("Ines Halloran", { at: "/results/portfolio" });
  await ines.getByLabel("Student").selectOption({ label: "Liv Torsen" });
  await expect(ines.getByText("Aisha and I read it aloud.")).toBeVisible();
  const show = new Walk(ines, "from a portfolio to a link for the family", 2);
  await show.click(ines.getByRole("button", { name: /^Make a link to/ }));
  const address = await ines.getByRole("textbox", { name: "The link" }).inputValue();
  await show.click(ines.getByRole("button", { name: "QR" }));
  await expect(ines.getByRole("img", { name: "QR code of the link" })).toBeVisible();
  show.done();
  await nothingSerious(ines);

  const family = await (await browser.newContext({ locale: "es-ES", viewport: { width: 390, height: 800 } })).newPage();
  const path = new URL(address).pathname;
  await family.goto(new URL(path, ines.url()).toString());
  await expect(family.getByRole("heading", { name: "Portafolio de Liv" })).toBeVisible();
  await expect(family.getByText("… and I read it aloud. I like my ending.")).toBeVisible();
  await expect(family.locator("body")).not.toContainText("Torsen");
  await nothingSerious(family);

  await ines.getByRole("button", { name: "End it" }).first().click();
  await expect(ines.getByText("Nobody can open it any more.")).toBeVisible();
  expect((await family.reload())?.status()).toBe(404);
});

test("a teacher puts an answer into a child's portfolio from the results, and takes it back", async ({ signedIn }) => {
  const ines = await signedIn("Ines Halloran");
  await new ResultsPage(ines).open("Ferry fares");
  const walk = new Walk(ines, "from a result to an answer in the portfolio", 3);
  await walk.key("3");
  await walk.click(ines.getByRole("button", { name: "Put answer 1 into the portfolio" }));
  await expect(ines.getByText(/Answer 1 is in the portfolio of/)).toBeVisible();
  walk.done();
  await ines.getByRole("button", { name: "Undo" }).click();
  await ines.getByRole("button", { name: "Put answer 1 into the portfolio" }).click();
  await expect(ines.getByText(/Answer 1 is in the portfolio of .* now/).last()).toBeVisible();
});
