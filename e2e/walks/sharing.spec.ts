import { expect, lines, lookFor, test } from "../fixture";
import { SatchelPage } from "../pages/satchel-page";
import { Walk } from "./walk";

test("to the school, for these grades in these subjects; a colleague finds it there", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  const satchel = new SatchelPage(page);
  await satchel.open("The harbour in twelve hours");
  const walk = new Walk(page, "share to the school with grades and subjects", 4);
  await satchel.share(walk);
  await walk.type("staffroom grades 7-8 geography and maths");
  await expect(page.getByRole("button", { name: "Grades: grades 7–8" })).toBeVisible();
  await walk.key("Enter");
  await expect(page.getByText("It is in the staffroom now.")).toBeVisible();
  walk.done();

  const colleague = await signedIn("Linnea Strand");
  await lookFor(colleague, "harbour in twelve hours");
  await expect(lines(colleague).first()).toContainText("The harbour in twelve hours");
  await colleague.goto("/find?words=harbour+in+twelve+hours&grades=8&subject=geography");
  await expect(lines(colleague).first()).toContainText("The harbour in twelve hours");

  await page.locator("body").press("u");
  await expect(page.getByText("Everything is back where it was.")).toBeVisible();
  await colleague.goto("/find?words=harbour+in+twelve+hours&grades=8&subject=geography");
  await expect(colleague.getByText(/No results for all of this|No results/).first()).toBeVisible();
});

test("stopped by a licence, it says why and goes nowhere", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  await lookFor(page, "echo and depth");
  await page.keyboard.press("e");
  await page.getByRole("button", { name: /^(Make my copy|Start another)$/ }).click();
  await page.waitForURL(/\/adapt\/\d+/);
  await page.getByLabel("Title", { exact: true }).fill("Echo, my way");
  await expect(page.getByText(/saved \d/)).toBeVisible();
  await page.getByRole("button", { name: "Publish", exact: true }).click();
  await page.waitForURL(/\/satchel/);
  await expect(page.getByRole("heading", { name: "Echo, my way", level: 1 })).toBeVisible();
  await page.keyboard.press("h");
  const share = page.getByRole("region", { name: "Share" });
  await expect(share.getByText(/stays with you and your classes/).first()).toBeVisible();
  await expect(share.getByRole("button", { name: /^Share/ })).toBeDisabled();
});

test("only curators may: offered instead, accepted by one of them from the keyboard, found by a colleague of another school", async ({
  signedIn,
}) => {
  test.slow();
  const page = await signedIn("Ines Halloran");
  const satchel = new SatchelPage(page);
  await satchel.open("Kelp under glass");
  const walk = new Walk(page, "offer to the district's curators", 3);
  await satchel.share(walk);
  await walk.type("district");
  await expect(page.getByText("At your school only curators put things on the district shelf.")).toBeVisible();
  await walk.key("Enter");
  await expect(page.getByText("It is offered to the curators of the district shelf.")).toBeVisible();
  walk.done();

  const curator = await signedIn("Sol Wetherby", { at: "/desk" });
  const offers = curator.getByRole("navigation", { name: "Offers" });
  const ours = offers.getByRole("button", { name: /Kelp under glass/ });
  await expect(ours).toBeVisible();
  for (let down = 0; (await ours.getAttribute("aria-current")) === null && down < 12; down += 1) {
    const before = (await offers.locator("[aria-current]").textContent())!;
    await curator.keyboard.press("j");
    await expect(offers.locator("[aria-current]")).not.toHaveText(before);
  }
  const decide = curator.getByRole("complementary", { name: "Decide" });
  await expect(curator.getByRole("heading", { name: "Kelp under glass", level: 2 })).toBeVisible();
  // Sent back without a word is no help to anybody.
  await curator.keyboard.press("b");
  await expect(curator.getByText("Say what to change, in a note or pinned to a step.")).toBeVisible();
  await expect(decide.getByLabel("A note for Ines Halloran")).toBeFocused();
  await curator.keyboard.press("Tab");
  await curator.locator("body").press("n");
  await curator.keyboard.type("Say when the tide turns.");
  await decide.getByRole("button", { name: /^Send back/ }).click();
  await expect(curator.getByText(/Sent back: “Kelp under/)).toBeVisible();

  // The note stands at its step in her editor.
  await satchel.open("Kelp under glass");
  await satchel.edit();
  await expect(page.getByText(/Sol Wetherby: Say when the tide turns\./)).toBeVisible();
  await page.goBack();
  await page.getByRole("button", { name: /^Share/ }).click();
  await expect(page.getByText("Sol Wetherby sent it back")).toBeVisible();
  await page.getByLabel("Share in one line").fill("district");
  await page.keyboard.press("Enter");
  await expect(page.getByText("It is offered to the curators of the district shelf.")).toBeVisible();

  await curator.goto("/desk");
  await ours.click();
  await expect(curator.getByRole("heading", { name: "Kelp under glass", level: 2 })).toBeVisible();
  await curator.keyboard.press("a");
  await expect(curator.getByText(/Accepted: “Kelp under/)).toBeVisible();

  const colleague = await signedIn("Judit Varga");
  await lookFor(colleague, "kelp under glass");
  await expect(lines(colleague).first()).toContainText("Kelp under glass");
  await expect(lines(colleague).first()).toContainText("District");

  // Taken back, as if it had not been decided; then its author takes the offer back too.
  await curator.locator("body").press("u");
  await expect(curator.getByText("It is back on the desk.")).toBeVisible();
  await page.keyboard.press("h");
  await page.getByRole("button", { name: "Take the offer back" }).click();
  await expect(page.getByText(/No longer on the district shelf/)).toBeVisible();
});

test("given to a colleague by name: he makes it his own without her voice, and says thank you", async ({
  signedIn,
}) => {
  const page = await signedIn("Ines Halloran");
  const satchel = new SatchelPage(page);
  await satchel.open("The ferry timetable");
  await satchel.share();
  await page.getByRole("radio", { name: "People" }).click();
  await page.getByLabel("Find a colleague").fill("judit");
  await page.keyboard.press("Enter");
  await page.getByLabel("Add a line").fill("For your microscopes.");
  await page.getByRole("button", { name: "Give to 1" }).click();
  await expect(page.getByText("Given to Judit Varga.")).toBeVisible();

  const colleague = await signedIn("Judit Varga", { at: "/satchel" });
  await colleague.getByRole("link", { name: /^Given to me/ }).click();
  const given = colleague.getByRole("listitem", { name: "The ferry timetable" });
  await expect(given).toContainText("“For your microscopes.”");
  await given.getByRole("button", { name: "Say thank you" }).click();
  await expect(given.getByRole("button", { name: "Thanked" })).toBeDisabled();
  const walk = new Walk(colleague, "a colleague's activity as one's own, without the voice", 3);
  await walk.click(given.getByRole("button", { name: "Make my copy without voices" }));
  await colleague.waitForURL(/\/adapt\/\d+/);
  walk.done();
  await expect(colleague.getByLabel("Title", { exact: true })).toHaveValue("The ferry timetable");

  // Taken back, it is as if it had never been there; the copy stays.
  await page.keyboard.press("h");
  await page.getByRole("radio", { name: "People" }).click();
  await expect(page.getByText("says thank you")).toBeVisible();
  await page.getByRole("button", { name: "Take back from Judit Varga" }).click();
  await expect(page.getByText(/Taken back from Judit Varga/)).toBeVisible();
  await colleague.goto("/given");
  await expect(colleague.getByRole("listitem", { name: "The ferry timetable" })).toBeHidden();
});
