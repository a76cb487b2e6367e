import { expect, test } from "../fixture";
import { nothingSerious } from "../pages/accessible";
import { Walk } from "./walk";

test("what a class has covered this term, what it was counted from, and something for those who are not there yet", async ({
  signedIn,
}) => {
  const ines = await signedIn("Ines Halloran", { at: "/results" });
  const walk = new Walk(ines, "from results to who is not there yet in a standard, and to Find", 3);
  await walk.click(ines.getByRole("link", { name: "Coverage" }));
  const time = ines.getByRole("row", { name: /MA\.5\.M\.2/ });
  await expect(time.getByRole("button")).toHaveAccessibleName(/MA\.5\.M\.2, 5 Kittiwake: half or more, \d\d%/);
  await walk.click(time.getByRole("button"));
  const panel = ines.getByRole("complementary", { name: "MA.5.M.2, 5 Kittiwake" });
  await expect(panel).toContainText(/\d\d% right last time, by \d+ children/);
  // From September on it rose, and the list says the same as the chart.
  const chart = panel.getByRole("img", { name: /Right answers over time/ });
  const shares = [...(await chart.getAttribute("aria-label"))!.matchAll(/(\d+)%/g)].map(([, share]) => Number(share));
  expect(shares.length).toBeGreaterThan(3);
  expect(shares[2]).toBeGreaterThan(shares[0]!);
  await expect(panel.getByRole("row", { name: /Clock time, week by week, step 2/ })).toContainText(`${shares[1]}%`);
  await expect(panel).toContainText(/\d of 22 are not there yet/);
  await nothingSerious(ines);
  await walk.key("f");
  await expect(ines).toHaveURL(/standard=MA\.5\.M\.2.*undone=/);
  await expect(ines.getByText(/What you assign goes to (?:this child|these children)\./)).toBeVisible();
  walk.done();
});

test("by keys from statement to statement; a second class beside; as a chart, and as a file", async ({ signedIn }) => {
  const ines = await signedIn("Ines Halloran", { at: "/results/coverage" });
  await expect(ines.getByText(/\d+ lessons left, \d+ statements open: \d+ lessons? each, \d+ over/)).toBeVisible();
  await ines.keyboard.press("j");
  await expect(ines.getByRole("complementary", { name: "MA.5.N.1, 5 Kittiwake" })).toContainText(/(?:8|9)\d% right/);
  await ines.keyboard.press("j");
  await expect(ines.getByRole("complementary", { name: "MA.5.N.2, 5 Kittiwake" })).toBeVisible();
  await ines.keyboard.press("Escape");
  await ines.getByLabel("Second class").selectOption({ label: "4/5 Puffin" });
  await expect(ines.getByRole("columnheader", { name: /4\/5 Puffin/ })).toBeVisible();
  await ines.getByLabel("Area").selectOption({ label: "science" });
  await expect(
    ines.getByRole("row", { name: /SC\.4\.L\.1/ }).getByRole("button", { name: /Puffin/ }),
  ).toHaveAccessibleName(/SC\.4\.L\.1, 4\/5 Puffin: .*%/);
  await ines.getByRole("radio", { name: "Chart" }).click();
  await expect(ines.getByRole("img", { name: /How many statements of each branch/ }).locator("svg")).toBeVisible();
  const [file] = await Promise.all([ines.waitForEvent("download"), ines.getByRole("link", { name: "CSV" }).click()]);
  const { readFile } = await import("node:fs/promises");
  const text = await readFile((await file.path())!, "utf8");
  expect(text.split("\r\n")[0]).toContain("4/5 Puffin: share");
  expect(text).toMatch(/SC\.4\.L\.1,/);
  // The address says all of it.
  await ines.reload();
  await expect(ines.getByRole("img", { name: /How many statements of each branch/ })).toBeVisible();
});
