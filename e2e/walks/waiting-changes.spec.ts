import { expect, lines, test } from "../fixture";
import { SatchelPage } from "../pages/satchel-page";
import { Walk } from "./walk";

test("what changes on the district shelf waits for the curators, who see both side by side; a curator need not teach", async ({
  signedIn,
}) => {
  test.slow();
  const author = await signedIn("Linnea Strand", { at: "about:blank" });
  await new SatchelPage(author).open("From sheep to jersey");
  await author.keyboard.press("e");
  await author.waitForURL(/adapt/);
  const title = author.getByRole("textbox", { name: "Title", exact: true });
  await title.fill("From sheep to jersey, by twos");
  await expect(author.getByText(/saved \d/)).toBeVisible();
  const walk = new Walk(author, "let the curators decide about changes", 2);
  await walk.click(author.getByRole("button", { name: "Publish now, or after the curators" }));
  await walk.click(author.getByRole("menuitem", { name: "Let the curators of the district shelf decide first" }));
  walk.done();
  await expect(author.getByText(/The curators have had your changes since/)).toBeVisible();

  const reader = await signedIn("Marcus Osei", { at: "/find?words=from+sheep+to+jersey" });
  await expect(lines(reader).first()).not.toContainText("by twos");

  const curator = await signedIn("Odile Marsh");
  await curator.waitForURL(/desk/);
  await expect(curator.getByRole("navigation", { name: "Places" }).getByRole("link")).toHaveCount(0);
  await curator.getByRole("button", { name: /^From sheep to jersey/ }).click();
  await expect(curator.getByRole("heading", { name: "Already on this shelf" })).toBeVisible();
  await curator.keyboard.press("c");
  for (const name of ["From sheep to jersey", "From sheep to jersey, by twos"])
    await expect(curator.getByRole("heading", { name, exact: true, level: 2 })).toBeVisible();
  await curator.keyboard.press("a");
  await expect(curator.getByText(/^Accepted: /)).toBeVisible();
  await reader.reload();
  await expect(lines(reader).first()).toContainText("by twos");
});
