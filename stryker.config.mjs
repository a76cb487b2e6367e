// A room's own tests must notice: what is computed there is tested there, without a database or a screen.
const config = {
  testRunner: "jest",
  jest: { configFile: "stryker.jest.config.mjs", enableFindRelatedTests: false },
  coverageAnalysis: "perTest",
  ignoreStatic: true,
  concurrency: 2,
  reporters: ["clear-text", "json", "progress-append-only"],
  jsonReporter: { fileName: `reports/mutation-${process.env.MUTATED_ROOM ?? "all"}.json` },
  clearTextReporter: { allowColor: false, logTests: false, allowEmojis: false },
  thresholds: { high: 95, low: 85, break: 85 },
  tempDirName: "reports/mutating",
};
export default config;
