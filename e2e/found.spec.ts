import { expect, test } from "./fixture";
import { EditorPage } from "./pages/editor-page";

test("what must be fixed leads to the very block, in sight and at the keyboard", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran", { at: "about:blank" });
  await new EditorPage(page).makeNew("Links and sounds", "Long");
  const add = (name: string) => page.getByRole("button", { name, exact: true }).click();
  for (const name of ["Text", "Text", "Text"]) await add(name);
  await add("More …");
  await page.getByRole("menuitem", { name: "Something to listen to" }).click();
  await page.getByRole("button", { name: "Step", exact: true }).click();
  const found = page.getByRole("button", { name: /^Step 1: Nothing has been recorded/ });
  await expect(found).toBeVisible();
  await found.click();
  const sound = page.getByRole("region", { name: "Sound" });
  await expect(sound).toBeFocused();
  await expect(sound).toBeInViewport();
});
