import { expect, test } from "../fixture";
import { nothingSerious } from "../pages/accessible";
import { Walk } from "./walk";

test("a guest does one piece of work by a link, and it becomes a student's", async ({
  signedIn,
  browser,
  expectTrouble,
}) => {
  // The link leads nowhere once it is ended, and other pages are none of a guest's.
  expectTrouble(/404/);
  const office = await signedIn("Hollis Gray", { at: "/office" });
  await office.getByRole("checkbox", { name: "Teachers may invite guests to a piece of work" }).click();
  await expect(office.getByText("Teachers can invite guests.").first()).toBeVisible();

  const ines = await signedIn("Ines Halloran", { at: "/results" });
  await ines.getByRole("button", { name: /^Kelp under glass/ }).click();
  await expect(ines.getByRole("heading", { name: "Kelp under glass", level: 1 })).toBeVisible();
  const walk = new Walk(ines, "a link for guests", 3);
  await walk.click(ines.getByRole("button", { name: "Link …" }));
  await walk.click(ines.getByRole("button", { name: "Make a link for guests" }));
  const address = await ines.getByLabel("Link for guests to Kelp under glass").inputValue();
  walk.done();
  await ines.keyboard.press("Escape");

  const guest = await (await browser.newContext({ viewport: { width: 390, height: 800 } })).newPage();
  await guest.goto(address);
  await expect(guest.getByText("Ines Halloran has invited you to “Kelp under glass”.")).toBeVisible();
  await nothingSerious(guest);
  await guest.getByLabel("Your name").fill("Ada");
  await guest.getByLabel("Your name").press("Enter");
  await guest.waitForURL(/\/student\/\d+$/);
  await guest.getByRole("button", { name: /^Step 3/ }).click();
  await guest.getByRole("textbox").last().fill("Pull three times.");
  await expect(guest.getByText("Kept", { exact: true })).toBeVisible();
  const own = guest.url();
  await guest.goto("/student");
  expect(guest.url()).toBe(own);
  await guest.goto("/find");
  await expect(guest).not.toHaveURL(/\/find/);

  await ines.reload();
  const notice = ines.getByRole("region", { name: "Guests" });
  await expect(notice.getByText("Ada")).toBeVisible();
  const who = notice.getByLabel("Who Ada really is");
  const student = await who.locator("option").nth(1).innerText();
  await who.selectOption({ label: student });
  await notice.getByRole("button", { name: "Move the work" }).click();
  await expect(ines.getByText(`What Ada did is ${student}’s now.`)).toBeVisible();
  await expect(notice).toHaveCount(0);
  await ines.keyboard.press("u");
  await expect(notice.getByText("Ada")).toBeVisible();

  await ines.getByRole("button", { name: "Link …" }).click();
  await ines.getByRole("button", { name: "End the link" }).click();
  const late = await (await browser.newContext()).newPage();
  expect((await late.goto(address))!.status()).toBe(404);
});
