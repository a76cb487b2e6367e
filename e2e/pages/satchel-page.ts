import type { Locator, Page } from "@playwright/test";
import { expect } from "../fixture";
import type { Walk } from "../walks/walk";

/** A teacher's satchel, with one thing of it open beside the list. */
export class SatchelPage {
  readonly pockets: Locator;

  constructor(readonly page: Page) {
    this.pockets = page.getByRole("navigation", { name: "Pockets" });
  }

  /** The thing of this title, on the light table. */
  async open(title: string): Promise<void> {
    await this.page.goto("/satchel");
    await this.page.getByRole("button", { name: title, exact: true }).first().click();
    await expect(this.page.getByRole("heading", { name: title, level: 1 })).toBeVisible();
  }

  /** What is open, in the editor. */
  async edit(): Promise<void> {
    await this.page.getByRole("button", { name: /^Edit/ }).click();
    await this.page.waitForURL(/\/adapt\/\d+/);
  }

  async openPocket(name: RegExp): Promise<void> {
    await this.pockets.getByRole("button", { name }).first().click();
  }

  /** The titles in a pocket that is open, in its order. */
  async titlesIn(pocket: string): Promise<string[]> {
    const labels = await this.page
      .getByRole("list", { name: pocket })
      .getByRole("checkbox")
      .evaluateAll((boxes) => boxes.map((box) => box.getAttribute("aria-label")!));
    return labels.map((label) => label.replace("Tick ", ""));
  }

  tick(title: string): Locator {
    return this.page.getByRole("checkbox", { name: `Tick ${title}`, exact: true });
  }

  /** The panel that shares what is open, by its key, counted where there is a walk. */
  async share(walk?: Walk): Promise<void> {
    await (walk ? walk.key("h") : this.page.keyboard.press("h"));
    await expect(this.page.getByLabel("Share in one line")).toBeFocused();
  }
}
