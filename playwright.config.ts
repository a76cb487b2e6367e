import { defineConfig } from "@playwright/test";
import { findChromium } from "./scripts/chromium.mjs";

const chromium = findChromium();

export default defineConfig({
  testDir: "e2e",
  globalSetup: "./e2e/school.ts",
  // What needs a program of others: `npm run check -- --scan`.
  ...(process.env.SCAN !== "1" && { testIgnore: /\.outside\.spec\.ts$/ }),
  fullyParallel: true,
  workers: 2,
  // On a loaded machine a walk may run into a limit: it is tried once more, and said to be flaky.
  retries: 1,
  maxFailures: process.env.CI ? 0 : 12,
  // What is right is there at once; what is slow because the machine is busy is not wrong.
  timeout: 120_000,
  expect: { timeout: 20_000 },
  reporter: [["list"]],
  use: {
    viewport: { width: 1280, height: 800 },
    serviceWorkers: "block",
    locale: "en-GB",
    timezoneId: "Europe/London",
    // A press that nothing answers is told after half a minute, not when the whole walk's time is up.
    actionTimeout: 30_000,
    // Recording every test costs a third of its time: only what is tried again is recorded.
    trace: "on-first-retry",
    launchOptions: {
      executablePath: chromium,
      args: [
        "--no-sandbox",
        "--disable-gpu",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
        // A microphone that hums, and nobody who has to allow it.
        "--use-fake-device-for-media-stream",
        "--use-fake-ui-for-media-stream",
      ],
    },
  },
});
