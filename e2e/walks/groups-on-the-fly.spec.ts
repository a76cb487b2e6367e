import { expect, test } from "../fixture";
import { nothingSerious } from "../pages/accessible";
import { Walk } from "./walk";

test("a step becomes pairs while it runs: the children know with whom, the board shows it, and back again", async ({
  signedIn,
}) => {
  test.slow();
  const ines = await signedIn("Ines Halloran");
  await ines.goto("/find?words=bird+counts+as+graphs");
  await ines.getByRole("button", { name: "Bird counts as graphs" }).first().click();
  await expect(ines.getByRole("button", { name: "Lead", exact: true })).toBeVisible();
  await ines.keyboard.press("l");
  await ines.waitForURL(/\/lead\/\d+/);
  const children = [];
  for (const name of ["Sunniva Dale", "Liv Torsen", "Odd Marwen"]) {
    const child = await signedIn(name, { phone: true });
    await child.getByRole("link", { name: /^Join in.*Bird counts/ }).click();
    children.push(child);
  }
  await expect(ines.getByRole("heading", { name: /^3 of \d+ in$/ })).toBeVisible();
  const board = await ines.context().newPage();
  await board.goto(`/lead/${/lead\/(\d+)/.exec(ines.url())![1]!}/board`);
  await ines.bringToFront();
  await ines.keyboard.press("Enter");
  await expect(ines.getByRole("button", { name: /^All eyes up/ })).toBeVisible();

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
  await ines.getByRole("button", { name: "End the lesson …" }).click();
  await ines.getByRole("button", { name: "They go on at their own pace" }).click();
  await ines.waitForURL(/results/);
});
