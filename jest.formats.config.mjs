import config from "./jest.config.mjs";

/** What programs of others say of our files: `npm run check -- --formats`. */
const outside = {
  ...config,
  testMatch: ["<rootDir>/src/formats/independent/*.outside.test.ts"],
  testPathIgnorePatterns: ["/node_modules/"],
  globalSetup: undefined,
  testTimeout: 120_000,
};
export default outside;
