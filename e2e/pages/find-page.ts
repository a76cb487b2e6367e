import type { Page } from "@playwright/test";
import { expect, lines } from "../fixture";
import type { Walk } from "../walks/walk";

/** Find, as somebody uses it who is in a hurry. */
export class FindPage {
  constructor(readonly page: Page) {}

  /** Types a need and goes to the first result, which is then on the light table. */
  async find(walk: Walk, words: string, title: string | RegExp): Promise<void> {
    await walk.key("/");
    await walk.type(words);
    await expect(lines(this.page).first()).toContainText(title);
    await walk.key("Enter");
  }

  async open(words: string, title: string): Promise<void> {
    await this.page.goto(`/find?words=${encodeURIComponent(words)}`);
    await expect(this.page.getByRole("heading", { name: title, level: 1 })).toBeVisible();
  }
}
