import AxeBuilder from "@axe-core/playwright";
import type { Page } from "@playwright/test";
import { expect } from "../fixture";

const SERIOUS: readonly unknown[] = ["serious", "critical"];

async function found(page: Page, counts: (impact: unknown) => boolean): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  return violations
    .filter(({ impact }) => counts(impact))
    .map(
      ({ id, nodes }) =>
        `${id}: ${nodes
          .slice(0, 3)
          .map(({ target }) => target.join(" "))
          .join(" | ")}`,
    );
}

/** Nothing on the page makes it hard to use for somebody who does not see or hear it, or uses no mouse. */
export async function nothingSerious(page: Page): Promise<void> {
  expect(await found(page, (impact) => SERIOUS.includes(impact))).toEqual([]);
}

/** Nothing at all is found, however small. */
export async function nothingAtAll(page: Page): Promise<void> {
  expect(await found(page, () => true)).toEqual([]);
}
