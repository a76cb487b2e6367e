const esmOnly = [
  "openid-client",
  "oauth4webapi",
  "syllable",
  "dale-chall",
  "spache",
  "temporal-polyfill",
  "temporal-utils",
  "temporal-spec",
  "yaml",
  "devalue",
  "double-metaphone",
  "use-intl",
  "intl-messageformat",
  "@formatjs",
  "icu-minify",
  "marked",
  "parse5",
  "entities",
  "pdfjs-dist",
  "jose",
];

const config = {
  testEnvironment: "<rootDir>/src/data/testing/environment.mjs",
  testMatch: [
    "<rootDir>/src/**/*.test.ts",
    "<rootDir>/src/**/*.test.tsx",
    "<rootDir>/demo/**/*.test.ts",
    "<rootDir>/bench/**/*.test.ts",
    "<rootDir>/scripts/**/*.test.ts",
  ],
  // What needs programs of others has a config of its own: jest.formats.config.mjs.
  testPathIgnorePatterns: ["/node_modules/", "\\.outside\\.test\\.ts$"],
  moduleNameMapper: { "^@/(.*)$": "<rootDir>/src/$1", "^@demo/(.*)$": "<rootDir>/demo/$1" },
  transform: {
    "^.+\\.(t|j|mj)sx?$": [
      "@swc/jest",
      {
        jsc: {
          parser: { syntax: "typescript", tsx: true },
          target: "es2022",
          transform: { react: { runtime: "automatic" } },
        },
      },
    ],
  },
  transformIgnorePatterns: [`/node_modules/(?!(${esmOnly.join("|")})/)`],
  globalSetup: "<rootDir>/src/data/testing/prepare.mjs",
  modulePathIgnorePatterns: ["<rootDir>/reports/"],
  maxWorkers: 2,
  // A loaded machine with two cores: what hangs is told by this, not what is slow.
  testTimeout: 30_000,
};
export default config;
