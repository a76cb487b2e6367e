import { expect, test } from "../fixture";
import { nothingSerious } from "../pages/accessible";
import { LeadPage } from "../pages/lead-page";
import { Walk } from "./walk";

test("a step becomes pairs while it runs: the children know with whom, the board shows it, and back again", async ({
  signedIn,
}) => {
  test.slow();
  const ines = await signedIn("Ines Halloran");
  const lesson = new LeadPage(ines, "Bird counts as graphs");
  await lesson.find();
  await lesson.lead();
  const children = [];
  for (const name of ["Sunniva Dale", "Liv Torsen", "Odd Marwen"]) {
    const child = await signedIn(name, { phone: true });
    await lesson.join(child);
    children.push(child);
  }
  await lesson.expectIn(3);
  const board = await lesson.openBoard();
  await lesson.begin();

  const walk = new Walk(ines, "a step becomes pairs while it runs", 4);
  await walk.key("g");
  const dialog = ines.getByRole("dialog", { name: "How they work on this step" });
  await walk.click(dialog.getByRole("radio", { name: "in pairs" }));
  await walk.click(dialog.getByRole("button", { name: "Make pairs" }));
  // Three who are here are one group of three: nobody is left alone.
  await expect(dialog.getByRole("heading", { name: /^Group \d$/ })).toHaveCount(1);
  await nothingSerious(ines);
  await walk.click(dialog.getByRole("button", { name: "Use this" }));
  walk.done();
  const [sunniva, , odd] = children;
  await expect(sunniva!.getByText(/In pairs, with (Liv, Odd|Odd, Liv)$/)).toBeVisible();
  await expect(board.getByRole("list", { name: "Who works together" })).toContainText("Sunniva");

  // By hand: Odd works by himself; a reload changes nothing.
  await ines.keyboard.press("g");
  await dialog.getByLabel("Group of Odd Marwen").selectOption({ label: "none" });
  await dialog.getByRole("button", { name: "Use this" }).click();
  await expect(sunniva!.getByText(/In pairs, with Liv$/)).toBeVisible();
  await odd!.reload();
  await expect(odd!.getByText("In pairs", { exact: true })).toBeVisible();
  await ines.keyboard.press("ArrowRight");
  await expect(board.getByRole("list", { name: "Who works together" })).toHaveCount(0);
  await ines.keyboard.press("ArrowLeft");
  await expect(board.getByRole("list", { name: "Who works together" })).toContainText(/Sunniva · Liv|Liv · Sunniva/);

  await ines.keyboard.press("g");
  await dialog.getByRole("button", { name: /^As the lesson says/ }).click();
  await expect(sunniva!.getByText(/In pairs/)).toHaveCount(0);
  await lesson.end();
});
