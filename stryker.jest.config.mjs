import config from "./jest.config.mjs";

const folder = process.env.MUTATED_TESTS ?? "src/core";

/** A room's own tests, and without the database that other tests are prepared with. */
const jestConfig = {
  ...config,
  globalSetup: undefined,
  // The runner has an environment of its own, made from this one.
  testEnvironment: "node",
  testMatch: [`<rootDir>/${folder}*/**/*.test.ts`, `<rootDir>/${folder}*.test.ts`],
  maxWorkers: 1,
};
export default jestConfig;
