import { expect, test } from "../fixture";
import { Walk } from "./walk";

test("what the words were taken for is shown, and is words again with one press", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran");
  const words = page.getByLabel("About: words to look for");
  const walk = new Walk(page, "one word of the need taken as a word again", 3);
  await walk.key("/");
  await walk.type("kelp quiz grade 5");
  await expect(page.getByText("Only quizzes.")).toBeVisible();
  await expect(page.getByText("For grade 5.")).toBeVisible();
  await walk.click(page.getByRole("button", { name: /these words instead: Only quizzes/ }));
  await expect(words).toHaveValue('kelp "quiz" grade 5');
  await expect(page.getByText("Only quizzes.")).toBeHidden();
  walk.done();
});
