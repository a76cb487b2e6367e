import {
  test as base,
  expect,
  type Browser,
  type BrowserContext,
  type Cookie,
  type Locator,
  type Page,
} from "@playwright/test";
import { freePort, startServer } from "./school";

/** Every page of every test is watched: an error in the console or a failed request fails the test. */
function watch(page: Page, expected: RegExp[]): string[] {
  const seen: string[] = [];
  // Where a test does not ask for it, nothing is kept for times without a network, and the browser remarks on it.
  const blocked = /Service Worker registration blocked by Playwright/;
  const note = (text: string) => {
    if (blocked.test(text)) return;
    if (!expected.some((pattern) => pattern.test(text))) seen.push(text);
  };
  page.on(
    "console",
    (message) =>
      (message.type() === "error" || message.type() === "warning") &&
      note(`console: ${message.text()} ${message.location().url}`),
  );
  page.on("pageerror", (error) => note(`page: ${error.message}`));
  page.on("requestfailed", (request) => {
    // Pages that are left cut off what they were still loading.
    if (!/ERR_ABORTED/.test(request.failure()?.errorText ?? ""))
      note(`request: ${request.url()} ${request.failure()?.errorText}`);
  });
  page.on("response", (response) => response.status() >= 400 && note(`status: ${response.status()} ${response.url()}`));
  return seen;
}

/** What somebody sits at: a laptop, unless it is said. */
interface Device {
  phone?: boolean;
  tablet?: boolean;
  /** What is kept for times without a network is kept: elsewhere it would stand between a test and the server. */
  keeps?: boolean;
  /** A browser nobody has used: for what is set for all of it, such as its clock. */
  unused?: boolean;
  /** Where they are to be; else where signing in leads. "about:blank": the test opens something itself. */
  at?: string;
}

interface Fixtures {
  /** What this test provokes on purpose; everything else fails it. */
  expectTrouble: (...patterns: RegExp[]) => void;
  /** Somebody of the demo, signed in in a browser of their own. */
  signedIn: (name: string, options?: Device) => Promise<Page>;
}

/** Somebody who has signed in at this worker's school: where that led, and by what the school knows them again. */
interface SignedIn {
  home: string;
  cookies: Cookie[];
}

/** Signs somebody in as people do, with their button in the demo's list. */
async function signInByButton(page: Page, name: string): Promise<SignedIn> {
  await page.goto("/sign-in");
  await page
    .getByRole("button", { name: new RegExp(`^${name}`) })
    .first()
    .click();
  await page.waitForURL(/\/(find|student|office)/);
  return { home: page.url(), cookies: await page.context().cookies() };
}

/** Comes back as somebody who signed in before. False: that is over, because a test has signed them out. */
async function comeBack(page: Page, { home, cookies }: SignedIn, at = home): Promise<boolean> {
  await page.context().addCookies(cookies);
  if (at === "about:blank") return (await page.request.get(home, { maxRedirects: 0 })).ok();
  await page.goto(at);
  return new URL(page.url()).pathname !== "/sign-in";
}

export const test = base.extend<
  Fixtures & { trouble: { patterns: RegExp[]; seen: string[] } },
  { address: string; cameBefore: Map<string, SignedIn>; browsers: Map<string, BrowserContext> }
>({
  /** Signing in is a test of its own: elsewhere everybody does it once, and comes back. */
  cameBefore: [async ({}, provide) => provide(new Map()), { scope: "worker" }],
  /** The browsers people have, by who and on what: they are used again, because one that has read the application's script already is quicker. */
  browsers: [async ({}, provide) => provide(new Map()), { scope: "worker" }],
  /** Where this worker's own school answers. */
  address: [
    async ({}, provide) => {
      const server = await startServer(await freePort());
      await provide(server.address);
      await server.stop();
    },
    { scope: "worker", timeout: 180_000 },
  ],
  baseURL: async ({ address }, provide) => provide(address),
  trouble: [
    async ({}, provide) => {
      const trouble = { patterns: [] as RegExp[], seen: [] as string[] };
      await provide(trouble);
      expect(trouble.seen.filter((text) => !trouble.patterns.some((pattern) => pattern.test(text)))).toEqual([]);
    },
    { auto: true },
  ],
  expectTrouble: async ({ trouble }, provide) => {
    await provide((...patterns) => void trouble.patterns.push(...patterns));
  },
  page: async ({ page, trouble }, provide) => {
    const seen = watch(page, []);
    await provide(page);
    trouble.seen.push(...seen);
  },
  signedIn: async ({ address, browser, browsers, trouble, cameBefore }, provide) => {
    const after: (() => Promise<void>)[] = [];
    const watched: string[][] = [];
    const here = new Set<string>();
    await provide(async (name, device = {}) => {
      const { at, ...of } = device;
      const whose = JSON.stringify([name, of]);
      const again = !here.has(name) && !device.keeps && !device.unused;
      const context = (again && browsers.get(whose)) || (await newContext(browser, device));
      if (again) browsers.set(whose, context);
      after.push(() => (again ? emptied(context) : context.close()));
      const page = await context.newPage();
      if (again) await forget(page, address);
      watched.push(watch(page, []));
      // On a second device of the same person it is another sign-in.
      const before = here.has(name) ? undefined : cameBefore.get(name);
      here.add(name);
      if (before && (await comeBack(page, before, at))) return page;
      cameBefore.set(name, await signInByButton(page, name));
      if (at) await page.goto(at);
      return page;
    });
    trouble.seen.push(...watched.flat());
    for (const end of after) await end();
  },
});

/** Closes what is open in a browser, and lets it have its network again. */
async function emptied(context: BrowserContext): Promise<void> {
  for (const page of context.pages()) await page.close();
  await context.unrouteAll();
  await context.setOffline(false);
  await context.clearCookies();
}

/** Deletes what an earlier test left in this browser, but for the files of the application. */
async function forget(page: Page, origin: string): Promise<void> {
  const session = await page.context().newCDPSession(page);
  const storageTypes = "local_storage,indexeddb,cache_storage,service_workers,file_systems";
  await session.send("Storage.clearDataForOrigin", { origin, storageTypes });
  await session.detach();
}

const newContext = (browser: Browser, { phone, tablet, keeps }: Device): Promise<BrowserContext> =>
  browser.newContext({
    serviceWorkers: keeps ? "allow" : "block",
    ...(phone
      ? { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true }
      : { viewport: { width: 1280, height: 800 }, ...(tablet && { hasTouch: true }) }),
  });

export { expect };

/** The list of results or of the satchel. */
export const lines = (page: Page) => page.getByRole("list", { name: "Results" }).getByRole("listitem");

/** In the assign panel: of this class only those named, and nobody of any other. */
export async function onlyTo(panel: Locator, group: string, names: readonly string[]): Promise<void> {
  await panel.getByRole("button", { name: `Students of ${group}` }).click();
  await panel.getByRole("button", { name: "None", exact: true }).click();
  for (const name of names) await panel.getByRole("checkbox", { name, exact: true }).click();
}

/** Finds something and gives it, now, to some students of a class; `form` changes the form before it goes. */
export async function giveNow(
  teacher: Page,
  of: { words: string; group: string; to: readonly string[]; form?: (panel: Locator) => Promise<void> },
): Promise<void> {
  await teacher.goto(`/find?words=${encodeURIComponent(of.words)}&do=assign`);
  const panel = teacher.getByRole("region", { name: "Assign" });
  await panel.getByRole("radio", { name: "now" }).click();
  await onlyTo(panel, of.group, of.to);
  await of.form?.(panel);
  await panel.getByRole("button", { name: "Assign", exact: true }).click();
  await expect(teacher.getByText(`Assigned to ${of.group}.`)).toBeVisible();
}

/** Makes a version of what lies on the light table: a copy is proposed first. */
export async function adapt(page: Page): Promise<void> {
  await page.keyboard.press("e");
  await page.getByRole("button", { name: /^(Make my copy|Start another)$/ }).click();
  await page.waitForURL(/\/adapt\/\d+/);
}

/** Replaces what stands in a rich text: it becomes one that is written in when it has the focus. */
export async function write(box: Locator, text: string): Promise<void> {
  await box.focus();
  await expect(box).toHaveAttribute("contenteditable", "true");
  await box.fill(text);
}

/** Types words into the need line and waits until the trail has followed. */
export async function lookFor(page: Page, words: string): Promise<void> {
  await page.getByLabel("About: words to look for").fill(words);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("list", { name: "How it was narrowed" })).toContainText(words);
}
