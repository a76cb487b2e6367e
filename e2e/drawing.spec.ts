import type { Page } from "@playwright/test";
import { expect, giveNow, test, write } from "./fixture";
import { nothingSerious } from "./pages/accessible";
import { EditorPage } from "./pages/editor-page";

async function newLesson(page: Page, title: string): Promise<void> {
  await new EditorPage(page).makeNew(title, title);
  await page.getByRole("button", { name: "More …" }).click();
  await page.getByRole("menuitem", { name: "Drawing", exact: true }).click();
}

const onPage = (page: Page) => page.getByRole("application", { name: /^Page to draw on/ });

test("a teacher draws with the mouse, with a pen and with the keys alone, and takes a step back", async ({
  signedIn,
}) => {
  const page = await signedIn("Aud Fennimore");
  await newLesson(page, "The harbour mouth");
  const drawing = page.getByRole("region", { name: "Drawing", exact: true });
  await expect(page.getByRole("button", { name: "Step 1: Nothing has been drawn yet." })).toBeVisible();

  // With the keys: an arrow, moved up and made longer.
  await drawing.getByRole("button", { name: "Arrow" }).focus();
  await page.keyboard.press("Enter");
  await onPage(page).focus();
  for (let nth = 0; nth < 25; nth += 1) await page.keyboard.press("ArrowUp");
  await page.keyboard.press("Shift+ArrowRight");
  await expect(onPage(page)).toHaveAccessibleName(/Chosen: black arrow, upper middle/);
  await drawing.getByRole("radio", { name: "red", exact: true }).click();
  await expect(onPage(page)).toHaveAccessibleName(/Chosen: red arrow, upper middle/);

  // With the mouse: a rectangle, carried to the lower left.
  await drawing.getByRole("button", { name: "Rectangle" }).click();
  const canvas = page.locator(".konvajs-content canvas").last();
  const box = (await canvas.boundingBox())!;
  const at = (x: number, y: number) => [box.x + box.width * x, box.y + box.height * y] as const;
  await page.mouse.move(...at(0.52, 0.53));
  await page.mouse.down();
  await page.mouse.move(...at(0.3, 0.7), { steps: 4 });
  await page.mouse.move(...at(0.16, 0.84), { steps: 4 });
  await page.mouse.up();
  await expect(onPage(page)).toHaveAccessibleName(/Chosen: black rectangle, lower left/);

  // With the pen.
  await drawing.getByRole("button", { name: "Pen" }).click();
  await page.mouse.move(...at(0.6, 0.6));
  await page.mouse.down();
  await page.mouse.move(...at(0.7, 0.8), { steps: 8 });
  await page.mouse.up();
  await drawing.getByText("3 things on the page").click();
  await expect(drawing.getByRole("list", { name: "On the page" }).getByRole("button")).toHaveText([
    /red arrow, upper middle/,
    /black rectangle, lower left/,
    /pen line, /,
  ]);
  await drawing
    .getByRole("list", { name: "On the page" })
    .getByRole("button", { name: /pen line/ })
    .click();
  await onPage(page).focus();
  await page.keyboard.press("Delete");
  await expect(drawing.getByText("2 things on the page")).toBeVisible();
  await page.keyboard.press("Control+z");
  await expect(drawing.getByText("3 things on the page")).toBeVisible();

  // What it shows has to be said before it goes out.
  await expect(page.getByRole("button", { name: "Step 1: A drawing has no description." })).toBeVisible();
  await drawing.getByLabel("Description, for anyone who cannot see it").fill("An arrow to the harbour mouth.");
  await expect(page.getByText("Nothing to fix.")).toBeVisible();
  await expect(page.getByText(/saved \d/)).toBeVisible();
  await nothingSerious(page);

  await page.reload();
  await expect(page.getByText("3 things on the page")).toBeVisible();
  await page.getByRole("button", { name: "See as student" }).click();
  await expect(page.getByRole("img", { name: "An arrow to the harbour mouth." })).toBeVisible();
});

test("students draw on their own copy of the teacher's drawing, and the teacher sees both together", async ({
  signedIn,
}) => {
  const teacher = await signedIn("Judit Varga");
  await newLesson(teacher, "Where the ferry turns");
  const drawing = teacher.getByRole("region", { name: "Drawing", exact: true });
  await drawing.getByRole("button", { name: "Words" }).click();
  await drawing.getByLabel("What it says").fill("Turn here?");
  await drawing.getByLabel("Description, for anyone who cannot see it").fill("A chart of the strait.");
  await drawing.getByRole("button", { name: "Let students draw on their own copy" }).click();
  const question = teacher.getByRole("region", { name: "Students draw", exact: true });
  await write(question.getByRole("textbox", { name: "What is asked" }), "Draw the way the ferry takes.");
  await expect(teacher.getByText("Nothing to fix.")).toBeVisible();
  await expect(teacher.getByText(/saved \d/)).toBeVisible();
  await teacher.getByRole("button", { name: "Publish", exact: true }).click();
  await expect(teacher.getByText(/Published as revision 1/)).toBeVisible();
  await giveNow(teacher, { words: "where the ferry turns", group: "7 Cormorant", to: ["Adan Rey"] });

  const student = await signedIn("Adan Rey", { phone: true });
  await student
    .getByRole("link", { name: /Where the ferry turns/ })
    .first()
    .click();
  const sheet = student.getByRole("application", { name: /Draw the way/ });
  await expect(sheet.getByText("Turn here?")).toBeVisible();
  await sheet.focus();
  await student.keyboard.press("Space");
  for (let nth = 0; nth < 5; nth += 1) await student.keyboard.press("ArrowRight");
  await student.keyboard.press("Space");
  await expect(student.getByRole("img", { name: "A chart of the strait., 1 line drawn" })).toBeVisible();
});
