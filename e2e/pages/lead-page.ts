import type { Page } from "@playwright/test";
import { expect } from "../fixture";
import type { Walk } from "../walks/walk";

/** The desk of a teacher who leads a lesson. */
export class LeadPage {
  constructor(
    readonly page: Page,
    readonly title: string,
  ) {}

  /** The lesson on the light table, from where it can be led. */
  async find(): Promise<void> {
    await this.page.goto(`/find?words=${encodeURIComponent(this.title)}`);
    await this.page.getByRole("button", { name: this.title }).first().click();
    await expect(this.page.getByRole("button", { name: "Lead", exact: true })).toBeVisible();
  }

  /** By its key, counted where there is a walk. */
  async lead(walk?: Walk): Promise<void> {
    await (walk ? walk.key("l") : this.page.keyboard.press("l"));
    await this.page.waitForURL(/\/lead\/\d+/);
  }

  get assignment(): string {
    return /lead\/(\d+)/.exec(this.page.url())![1]!;
  }

  /** A child who finds the lesson on their first page. */
  async join(child: Page): Promise<void> {
    await child.getByRole("link", { name: new RegExp(`^Join in.*${this.title}`) }).click();
  }

  async expectIn(children: number): Promise<void> {
    await expect(this.page.getByRole("heading", { name: new RegExp(`^${children} of \\d+ in$`) })).toBeVisible();
  }

  /** The board, in a window of its own behind hers. */
  async openBoard(): Promise<Page> {
    const board = await this.page.context().newPage();
    await board.goto(`/lead/${this.assignment}/board`);
    await this.page.bringToFront();
    return board;
  }

  async begin(): Promise<void> {
    await this.page.keyboard.press("Enter");
    await expect(this.page.getByRole("button", { name: /^All eyes up/ })).toBeVisible();
  }

  /** The lesson is over; what is not done is theirs to do. */
  async end(): Promise<void> {
    await this.page.getByRole("button", { name: "End the lesson …" }).click();
    await this.page.getByRole("button", { name: "They go on at their own pace" }).click();
    await this.page.waitForURL(/\/results/);
  }
}
