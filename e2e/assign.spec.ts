import { expect, lookFor, onlyTo, test } from "./fixture";

test("from a need to an answered assignment: given, done on a phone, seen while it happens", async ({ signedIn }) => {
  const teacher = await signedIn("Judit Varga");
  await lookFor(teacher, "lighthouse signals");
  await teacher.keyboard.press("a");
  const panel = teacher.getByRole("region", { name: "Assign" });
  await panel.getByRole("radio", { name: "now" }).click();
  await onlyTo(panel, "7 Cormorant", []);
  await expect(panel.getByText("Choose at least one student.")).toBeVisible();
  await panel.getByRole("checkbox", { name: "Adan Rey", exact: true }).click();
  await panel.getByRole("button", { name: "How often" }).click();
  await panel.getByRole("radio", { name: "twice" }).click();
  await expect(panel).toContainText(
    /1 student of 7 Cormorant gets “Lighthouse signals” now, due \w{3} \d+ \w{3}(, \d{4})?, 3 in the afternoon, with 2 tries\./,
  );
  await panel.getByRole("button", { name: "Assign", exact: true }).click();
  await expect(teacher.getByText("Assigned to 7 Cormorant.")).toBeVisible();
  await teacher.goto("/plan?view=list");
  const row = teacher
    .getByRole("region", { name: "Open" })
    .getByRole("listitem")
    .filter({ hasText: "Lighthouse signals" });
  await expect(row).toContainText("1 of 7 Cormorant");
  await row.getByRole("link", { name: "Lighthouse signals" }).click();
  const marks = teacher.getByRole("row", { name: /Adan Rey/ });
  await expect(marks).toContainText("not begun");

  const student = await signedIn("Adan Rey", { phone: true });
  await student.getByRole("link", { name: /Begin.*Lighthouse signals/ }).click();
  await student.waitForURL(/student\/\d+/);
  await student.getByRole("textbox", { name: "s", exact: true }).fill("10");
  await student.getByRole("button", { name: "Check" }).click();
  await expect(student.getByText("Not yet. Try again.")).toBeVisible();
  await student.getByRole("button", { name: "A hint" }).click();
  await expect(student.getByText("Write the multiples")).toBeVisible();
  await student.getByRole("textbox", { name: "s", exact: true }).fill("12");
  await student.getByRole("button", { name: "Check" }).click();
  await expect(student.getByText("Right", { exact: true })).toBeVisible();
  await expect(student.getByText("Kept", { exact: true })).toBeVisible();

  // The teacher has not touched her page since.
  await expect(marks).toContainText("at work");
  await marks.getByRole("button", { name: /question 1: right/ }).click();
  const answer = teacher.getByRole("complementary", { name: "One answer" });
  await expect(answer).toContainText("12 s");
  await expect(answer).toContainText("checked 2 times");

  // A closed lid and another device: what was answered is there.
  await student.getByRole("button", { name: "Next" }).click();
  await student.getByText("24", { exact: true }).click();
  await expect(student.getByText("Kept", { exact: true })).toBeVisible();
  const laptop = await signedIn("Adan Rey");
  await laptop.getByRole("link", { name: /Go on.*Lighthouse signals/ }).click();
  await expect(laptop.getByRole("checkbox", { name: "24", exact: true })).toBeChecked();

  await student.getByRole("button", { name: /^Step 4/ }).click();
  await student.getByRole("textbox").fill("24");
  await student.getByRole("button", { name: "To the end" }).click();
  await expect(student.getByRole("heading", { name: /still empty/ })).toBeVisible();
  await student.getByRole("button", { name: "Hand it in" }).click();
  await expect(student.getByRole("heading", { name: "Handed in" })).toBeVisible();
  await expect(student.getByRole("img", { name: /Handed in on/ })).toBeVisible();
  await expect(marks).toContainText("handed in");
  await student.getByRole("link", { name: "My work" }).last().click();
  await expect(student.getByText("You may try again.").first()).toBeVisible();

  const csv = await teacher.request.get(
    `${teacher.url().replace(/\?.*/, "")}/${/assignment=(\d+)/.exec(teacher.url())![1]}/csv`,
  );
  expect(csv.headers()["content-type"]).toContain("text/csv");
  expect(await csv.text()).toContain("Adan Rey,handed in,1,");
});

test("the network goes away in the middle: nothing typed is lost", async ({ signedIn, expectTrouble }) => {
  expectTrouble(/ERR_INTERNET_DISCONNECTED/);
  const student = await signedIn("Adan Rey", { phone: true });
  await student.getByRole("link", { name: /(Go on|Begin).*Speed at sea/ }).click();
  await student.waitForURL(/student\/\d+/);
  await student.getByRole("button", { name: /^Step 3/ }).click();
  await student.context().setOffline(true);
  await student.getByRole("textbox").last().fill("No, because the way back takes longer.");
  await expect(student.getByText("Kept here. No network yet")).toBeVisible();
  await student.context().setOffline(false);
  await expect(student.getByText("Kept", { exact: true })).toBeVisible();
  await student.reload();
  await student.getByRole("button", { name: /^Step 3/ }).click();
  await expect(student.getByRole("textbox").last()).toHaveValue("No, because the way back takes longer.");
});

test("a child comes in by the code on the board, and sees that class's work only", async ({ signedIn, page }) => {
  const teacher = await signedIn("Ines Halloran", { at: "/classes" });
  await teacher.getByRole("link", { name: /4\/5 Puffin/ }).click();
  await expect(teacher.getByRole("heading", { name: "4/5 Puffin" })).toBeVisible();
  await teacher.getByRole("button", { name: "Let students in" }).click();
  const code = (await teacher.getByText(/^[A-Z]{3,7} \d{5}$/).innerText()).trim();

  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto("/join");
  await page.getByLabel("What does the board say?").fill(code.toLowerCase().replace(" ", ""));
  await page.getByRole("button", { name: "Come in" }).click();
  await page.getByRole("button", { name: "Odd M." }).click();
  await expect(page.getByRole("heading", { name: "Hello, Odd" })).toBeVisible();
  await expect(page.getByText("Kelp under glass").first()).toBeVisible();
  await expect(page.getByText("Reading a tide table")).toHaveCount(0);

  await teacher.getByRole("button", { name: "End it now" }).click();
  await expect(teacher.getByText("There is no code at the moment.")).toBeVisible();
});

test("a child comes in with a name and three pictures", async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto("/join");
  await page.getByRole("button", { name: "With my pictures" }).click();
  await page.getByLabel("My name").fill("Sunniva.Dale");
  for (const picture of ["fish", "star", "boat"])
    await page.getByRole("button", { name: picture, exact: true }).click();
  await page.getByRole("button", { name: "Come in" }).click();
  await expect(page.getByText("The name and the pictures do not match.")).toBeVisible();
  for (const picture of ["fish", "boat", "star"])
    await page.getByRole("button", { name: picture, exact: true }).click();
  await page.getByRole("button", { name: "Come in" }).click();
  await expect(page.getByRole("heading", { name: "Hello, Sunniva" })).toBeVisible();
  await page.getByRole("button", { name: "Go out" }).click();
  await page.waitForURL(/sign-in/);
  await page.goto("/student");
  await page.waitForURL(/sign-in/);
});

test("what was given can be called back and given again, and its date moved", async ({ signedIn }) => {
  const page = await signedIn("Marcus Osei", { at: "/plan?view=list" });
  const open = page.getByRole("region", { name: "Open" }).getByRole("listitem").filter({ hasText: "Speed at sea" });
  await open.getByRole("button", { name: /Change when/ }).click();
  await page.getByLabel("Due", { exact: true }).fill("2020-01-01T15:00");
  await page.getByRole("button", { name: "Change it" }).click();
  await expect(page.getByText(/already past. The old date is kept/)).toBeVisible();
  await page.getByRole("button", { name: "Cancel" }).click();

  const finished = page
    .getByRole("region", { name: "Finished" })
    .getByRole("listitem")
    .filter({ hasText: "Boat building" });
  await finished.getByRole("button", { name: /Call back/ }).click();
  await expect(
    page.getByText(/Called back “Boat building to scale”\. What \d+ students have answered is kept\./),
  ).toBeVisible();
  await page.keyboard.press("u");
  await expect(finished).toBeVisible();
});

test("work closes at a time of its own; before it is due it is refused, and nothing is lost", async ({ signedIn }) => {
  const page = await signedIn("Judit Varga", { at: "/find?words=harbour+depth&do=assign" });
  const panel = page.getByRole("region", { name: "Assign" });
  await panel.getByLabel("Assign in one line").fill("Adan Rey now, due in 3 school days");
  await panel.getByRole("button", { name: "How often" }).click();
  await panel.getByRole("radio", { name: "until …" }).click();
  await panel.getByLabel("Closes on").fill("2020-01-01T08:00");
  await expect(panel.getByText(/It would close before it is due/)).toBeVisible();
  const later = new Date(Date.now() + 30 * 86_400_000).toISOString().slice(0, 10);
  await panel.getByLabel("Closes on").fill(`${later}T15:00`);
  await expect(panel.getByRole("status", { name: "In words" })).toContainText(
    /and it closes on \w+ \d+ \w+.*, 3 in the afternoon/,
  );
  await expect(panel.getByLabel("Assign in one line")).toHaveValue(/Adan Rey/);
  await panel.getByRole("button", { name: "Assign", exact: true }).click();
  await expect(page.getByText("Assigned to 7 Cormorant.")).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
});
