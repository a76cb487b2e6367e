import type { Page } from "@playwright/test";
import { expect } from "../fixture";

/** Results, with one piece of work opened. */
export class ResultsPage {
  constructor(readonly page: Page) {}

  async open(title: string): Promise<void> {
    await this.page.goto("/results");
    await this.page
      .getByRole("navigation", { name: "Assignments" })
      .getByRole("button", { name: new RegExp(`^${title}`) })
      .click();
    await expect(this.page.getByRole("heading", { name: title, level: 1 })).toBeVisible();
  }
}
