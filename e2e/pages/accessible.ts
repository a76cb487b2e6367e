import AxeBuilder from "@axe-core/playwright";
import type { Page } from "@playwright/test";
import { expect } from "../fixture";

const SERIOUS: readonly unknown[] = ["serious", "critical"];

async function found(page: Page, counts: (impact: unknown) => boolean, rules?: string[]): Promise<string[]> {
  // Of what passes, nobody reads where it stands. The newer way of running looks into frames of other sites, which no page of ours
  // has, and takes three times as long for that.
  const axe = new AxeBuilder({ page }).setLegacyMode(true).options({ resultTypes: ["violations"] });
  const { violations } = await (rules ? axe.withRules(rules) : axe).analyze();
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

/** The same of colours only: what else there is does not depend on the theme. */
export async function coloursTellApart(page: Page): Promise<void> {
  expect(await found(page, () => true, ["color-contrast", "link-in-text-block"])).toEqual([]);
}

/** Nothing at all is found, however small. */
export async function nothingAtAll(page: Page): Promise<void> {
  expect(await found(page, () => true)).toEqual([]);
}
