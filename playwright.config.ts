import { defineConfig } from "@playwright/test";

const port = 3217;
const chromium = process.env.CHROMIUM_PATH ?? "/usr/bin/chromium";

export default defineConfig({
  testDir: "e2e",
  fullyParallel: true,
  workers: 2,
  // On a loaded machine a walk may run into a limit: it is tried once more, and said to be flaky.
  retries: 1,
  maxFailures: process.env.CI ? 0 : 12,
  timeout: 90_000,
  expect: { timeout: 10_000 },
  reporter: [["list"]],
  use: {
    baseURL: `http://localhost:${port}`,
    viewport: { width: 1280, height: 800 },
    locale: "en-GB",
    timezoneId: "Europe/London",
    trace: "retain-on-failure",
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
  webServer: {
    command: "node e2e/serve.mjs",
    env: { PORT: String(port) },
    url: `http://localhost:${port}/sign-in`,
    timeout: 120_000,
    reuseExistingServer: false,
    gracefulShutdown: { signal: "SIGTERM", timeout: 5_000 },
  },
});
