import next from "eslint-config-next/core-web-vitals";
import typescript from "eslint-config-next/typescript";
import regexp from "eslint-plugin-regexp";

/** Imports go downwards only: a floor may not name what lies above it. */
const floors = {
  core: [
    "@/formats/*",
    "@/data/*",
    "@/server/*",
    "@/app/*",
    "@/screens/*",
    "@/ui/*",
    "react",
    "react-dom",
    "next",
    "next/*",
    "node:*",
  ],
  formats: ["@/data/*", "@/server/*", "@/app/*", "@/screens/*", "@/ui/*", "react", "next", "next/*"],
  data: ["@/server/*", "@/app/*", "@/screens/*", "@/ui/*", "react", "next", "next/*"],
  server: ["@/app/*", "@/screens/*", "@/ui/*"],
  ui: ["@/core/*", "@/formats/*", "@/data/*", "@/server/*", "@/app/*", "@/screens/*"],
};

/** The rooms of src/core from the ground up: each may name those before it, and none after it. */
const rooms = [
  "calendar",
  "content",
  "locale",
  "readability",
  "media",
  "drawing",
  "manipulative",
  "scoring",
  "question",
  "resource",
  "licence",
  "results",
  "review",
  "reading",
  "together",
  "live",
  "student",
  "find",
  "fit",
  "plan",
  "assign",
  "satchel",
  "sharing",
  "team",
  "people",
  "roster",
];

/** Whether a rule is about components: those read each file the way the compiler does, half of all the time, and are asked where components are. */
const ofComponents = (rule) => /^(react|react-hooks|jsx-a11y)\//.test(rule);
const only = (rules, wanted) => Object.fromEntries(Object.entries(rules).filter(([rule]) => wanted(rule)));
const nextInParts = next.flatMap((part) =>
  part.rules
    ? [
        { ...part, rules: only(part.rules, (rule) => !ofComponents(rule)) },
        { files: ["src/{app,screens,ui}/**/*.{ts,tsx}"], rules: only(part.rules, ofComponents) },
      ]
    : [part],
);

const config = [
  {
    ignores: [
      ".next/**",
      ".data/**",
      "node_modules/**",
      "next-env.d.ts",
      "test-results/**",
      "reports/**",
      "playwright-report/**",
      "worker/built/**",
      "public/student-worker.js",
      "public/pdf-worker.js",
    ],
  },
  ...nextInParts,
  ...typescript,
  ...Object.entries(floors).map(([floor, above]) => ({
    files: [`src/${floor}/**/*.{ts,tsx}`],
    ignores: ["**/*.test.ts", "**/*.test.tsx", "**/testing/**"],
    rules: {
      "no-restricted-imports": [
        "error",
        { patterns: [{ group: above, message: `src/${floor} may not import from above (see README, layout).` }] },
      ],
    },
  })),
  ...["app", "screens"].map((floor) => ({
    files: [`src/${floor}/**/*.{ts,tsx}`],
    rules: {
      "no-restricted-imports": [
        "error",
        {
          paths: [{ name: "next/link", message: "Use Link of @/ui/link: it fetches nothing until it is pressed." }],
          patterns:
            floor === "app"
              ? []
              : [{ group: ["@/app/*"], message: "src/screens may not import from above (see README)." }],
        },
      ],
    },
  })),
  ...rooms.map((room, at) => ({
    files: [`src/core/${room}/**/*.ts`],
    ignores: ["**/*.test.ts", "**/testing/**", "**/testing.ts"],
    rules: {
      "@typescript-eslint/no-restricted-imports": [
        "error",
        {
          patterns: rooms.slice(at + 1).length
            ? [
                {
                  regex: `^(@/core|(\\.\\./)+)/?(${rooms.slice(at + 1).join("|")})/`,
                  message: `src/core/${room} may not import from a room above it (see eslint.config.mjs, rooms).`,
                },
              ]
            : [],
        },
      ],
    },
  })),
  {
    // Screens may know the shapes of what they are given, and call actions; they never reach for rows or sessions.
    files: ["src/screens/**/*.{ts,tsx}"],
    ignores: ["**/*.test.ts", "**/*.test.tsx"],
    rules: {
      "@typescript-eslint/no-restricted-imports": [
        "error",
        {
          patterns: [
            { group: ["@/app/*"], message: "src/screens may not import from above." },
            {
              group: ["@/data/*"],
              message: "Screens are given data; they may import its types only.",
              allowTypeImports: true,
            },
            {
              regex: "^@/server/",
              message: "Screens call the server through screens/acts; of the rest they may import types only.",
              allowTypeImports: true,
            },
          ],
        },
      ],
    },
  },
  {
    // The one place from which screens call the server: see screens/acts/tried.ts.
    files: ["src/screens/acts/*.ts"],
    rules: { "@typescript-eslint/no-restricted-imports": ["error", { patterns: ["@/app/*", "@/data/*"] }] },
  },
  {
    // An expression whose time grows faster than its input lets one person's text stop the server for everybody.
    files: ["src/**/*.{ts,tsx}"],
    ignores: ["**/*.test.ts", "**/*.test.tsx"],
    plugins: { regexp },
    rules: {
      "regexp/no-super-linear-backtracking": ["error", { report: "potential" }],
      "regexp/no-super-linear-move": ["error", { report: "potential" }],
    },
  },
  {
    // Students' screens are in several languages: what they say is in src/messages. What only teachers see there is left out here.
    files: [
      "src/app/student/**/*.tsx",
      "src/screens/{student,step,reading,offline}/**/*.tsx",
      "src/screens/portfolio/own-portfolio.tsx",
    ],
    ignores: ["**/*.test.tsx", "**/trial-ending.tsx"],
    rules: {
      "no-restricted-syntax": [
        "error",
        ...[
          "JSXText[value=/[A-Za-z]{2}/]",
          "JSXAttribute[name.name=/^(aria-label|title|alt)$/] > Literal[value=/[A-Za-z]{2}/]",
          "JSXAttribute[name.name=/^(aria-label|title|alt)$/] TemplateElement[value.raw=/[A-Za-z]{2}/]",
        ].map((selector) => ({ selector, message: "Students read this: it belongs into src/messages." })),
      ],
    },
  },
  {
    rules: {
      "max-lines": ["error", { max: 400, skipBlankLines: true, skipComments: true }],
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_", varsIgnorePattern: "^_" }],
    },
  },
];
export default config;
