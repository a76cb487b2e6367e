import { expect, giveNow, test, write } from "./fixture";
import { EditorPage } from "./pages/editor-page";

test("what she writes about an answer is said when it is checked, and again after a reload", async ({ signedIn }) => {
  const teacher = await signedIn("Judit Varga", { at: "about:blank" });
  await new EditorPage(teacher).makeNew("How a lamp turns", "The lamp");
  await teacher.getByRole("button", { name: "Question …" }).click();
  await teacher.getByRole("menuitem", { name: "Number", exact: true }).click();
  const question = teacher.getByRole("region", { name: "Number", exact: true });
  await write(question.getByRole("textbox", { name: "What is asked" }), "It turns 3 times a minute. How often in 5?");
  await question.getByRole("textbox", { name: /^Right/ }).fill("15");
  for (const [name, text] of [
    ["When right", "Yes, five threes."],
    ["When not right", "How many threes are there?"],
    ["After any answer", "Watch the lamp tonight."],
  ] as const) {
    await question.getByRole("button", { name, exact: true }).click();
    await write(question.getByRole("textbox", { name, exact: true }), text);
  }
  await expect(teacher.getByText(/saved \d/)).toBeVisible();
  await teacher.getByRole("button", { name: "Publish", exact: true }).click();
  await expect(teacher.getByText(/Published as revision 1/)).toBeVisible();
  await giveNow(teacher, { words: "how a lamp turns", group: "7 Cormorant", to: ["Adan Rey"] });

  const student = await signedIn("Adan Rey", { phone: true });
  await student
    .getByRole("link", { name: /How a lamp turns/ })
    .first()
    .click();
  await student.getByRole("textbox").fill("8");
  await student.getByRole("button", { name: "Check" }).click();
  await expect(student.getByText("How many threes are there?")).toBeVisible();
  await expect(student.getByText("Watch the lamp tonight.")).toBeVisible();
  await expect(student.getByText("Yes, five threes.")).toHaveCount(0);
  await student.getByRole("textbox").fill("15");
  await expect(student.getByText("How many threes are there?")).toHaveCount(0);
  await student.getByRole("button", { name: "Check" }).click();
  await expect(student.getByText("Yes, five threes.")).toBeVisible();
  await student.reload();
  await expect(student.getByText("Yes, five threes.")).toBeVisible();
  await expect(student.getByText("Right", { exact: true })).toBeVisible();
});

test("checked after the due date: nobody sees marks while others still work", async ({ signedIn }) => {
  const teacher = await signedIn("Judit Varga", { at: "about:blank" });
  await giveNow(teacher, {
    words: "below the waterline",
    group: "7 Cormorant",
    to: ["Adan Rey"],
    form: async (panel) => {
      await panel.getByRole("button", { name: "How often" }).click();
      await panel.getByRole("radio", { name: "after the due date" }).click();
    },
  });
  const student = await signedIn("Adan Rey");
  await student
    .getByRole("link", { name: /Below the waterline/ })
    .first()
    .click();
  await expect(student.getByRole("img", { name: /A boat seen from the side/ })).toBeVisible();
  await expect(student.getByRole("button", { name: "Check" })).toHaveCount(0);
  await student.getByRole("button", { name: /^Step 3/ }).click();
  await student.getByRole("button", { name: "To the end" }).click();
  await student.getByRole("button", { name: /^Hand it in/ }).click();
  await expect(student.getByText(/You will see how it went .*, when it is due for everyone/)).toBeVisible();
  await expect(student.getByText(/ of \d+$/)).toHaveCount(0);
});
