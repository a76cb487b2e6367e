import { expect, test } from "../fixture";
import { nothingSerious } from "../pages/accessible";
import { AssignPanel } from "../pages/assign-panel";
import { FindPage } from "../pages/find-page";
import { Walk } from "./walk";

test("a lesson becomes one of thirty minutes for some students, with what is lost said, and is assigned beside the whole", async ({
  signedIn,
}) => {
  const ines = await signedIn("Ines Halloran", { at: "/find?words=what+the+ebb+lays+bare" });
  await expect(ines.getByRole("heading", { level: 1 })).toHaveText("What the ebb lays bare");
  await ines.keyboard.press("e");
  await ines.keyboard.press("Enter");
  await ines.waitForURL(/adapt\/\d+$/);
  const own = ines.url();
  await ines.getByRole("button", { name: "Publish", exact: true }).click();
  await ines.waitForURL(/satchel/);
  await ines.goto(own);

  const walk = new Walk(ines, "a shorter version for some students", 5);
  await walk.click(ines.getByRole("button", { name: "Fit …" }));
  await walk.click(ines.getByRole("menuitem", { name: /^Shorter/ }));
  await ines.waitForURL(/version$/);
  const steps = ines.getByRole("region", { name: "Steps" });
  await expect(steps.getByRole("status")).toContainText("It takes 45 minutes.");
  await walk.click(steps.getByRole("button", { name: "Suggest what to leave out" }));
  await expect(steps.getByRole("status")).toContainText(/You lose \d+ minutes.*\. (Every standard|No question covers)/);
  await nothingSerious(ines);
  await expect(ines.getByLabel("Title of the version")).toHaveValue("What the ebb lays bare (shorter)");
  await walk.click(ines.getByRole("button", { name: "Make this version" }));
  await expect(ines.getByText(/is in your satchel, ready to be assigned/)).toBeVisible();
  walk.done();

  // Given beside the whole: the line typed knows it as the shorter version.
  await ines.goto(`/satchel?open=${/adapt\/(\d+)/.exec(own)![1]}`);
  const panel = new AssignPanel(ines);
  await ines.keyboard.press("a");
  await expect(panel.line).toBeFocused();
  await ines.keyboard.type("puffin now, Alva Kirk short version");
  await panel.says(/one of them gets the shorter version/);
});

test("hard words and long sentences become plain ones, one by one or all, and the reading grade falls", async ({
  signedIn,
}) => {
  const ines = await signedIn("Ines Halloran", { at: "about:blank" });
  await new FindPage(ines).open(
    "tides at the bar: a tide table for grades 4 and 5",
    "Tides at the bar: a tide table for grades 4 and 5",
  );
  await ines.keyboard.press("e");
  await ines.keyboard.press("Enter");
  await ines.waitForURL(/adapt\/\d+$/);
  await ines.goto(`${ines.url()}/version`);
  const words = ines.getByRole("region", { name: "Words and sentences" });
  await words.getByRole("checkbox", { name: "vessel becomes boat" }).click();
  await words
    .getByRole("region", { name: /^Plainer words/ })
    .getByRole("button", { name: "All of these" })
    .click();
  await expect(ines.getByText(/^Reads at grade .*→/)).toBeVisible();
  // A long sentence without a place to cut it is hers.
  await expect(words.getByText(/\d+ words: shorten it yourself/).first()).toBeVisible();
  await ines.getByRole("button", { name: "Change this one" }).click();
  await expect(ines.getByText("The words are changed.")).toBeVisible();
  await expect(words.getByRole("checkbox")).toHaveCount(0);
  await ines.getByRole("button", { name: "Undo" }).first().click();
  await expect(words.getByRole("checkbox", { name: "vessel becomes boat" })).toBeVisible();
});
