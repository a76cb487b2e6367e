import config from "./jest.config.mjs";

/** What programs of others say of our files: `npm run check -- --formats`. */
const outside = {
  ...config,
  testMatch: ["<rootDir>/src/formats/independent/*.outside.ts"],
  globalSetup: undefined,
  testTimeout: 120_000,
};
export default outside;
