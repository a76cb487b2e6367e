import { claims, roleNames } from "./claims";
import { contentItem, deepLinkResponse } from "./deep-link";
import { readLaunch, type LaunchRule } from "./launch";

const now = new Date("2026-11-25T10:00:00Z");
const seconds = now.getTime() / 1000;
const expected = { clientId: "us", deployment: "1", nonce: "n", origin: "https://satchel.example", now };
const right = {
  ...{ aud: "us", sub: "u1", nonce: "n", iat: seconds, exp: seconds + 300, email: "Ines@Skerry.example" },
  [claims.messageType]: "LtiResourceLinkRequest",
  [claims.version]: "1.3.0",
  [claims.deployment]: "1",
  [claims.target]: "https://satchel.example/lti/launch?work=7",
  [claims.resourceLink]: { id: "l" },
  [claims.roles]: [roleNames.student],
  [claims.context]: { id: "c", title: "5 Kittiwake" },
};
const settings = { deep_link_return_url: "https://site.example/r", accept_types: ["ltiResourceLink"] };
const choosing = {
  ...right,
  [claims.messageType]: "LtiDeepLinkingRequest",
  [claims.roles]: [roleNames.teacher],
  [claims.settings]: settings,
};

test("a message that is right says who comes, from which course, and for which work", () => {
  expect(readLaunch(right, expected)).toEqual({
    ok: true,
    launch: {
      ...{ subject: "u1", email: "ines@skerry.example", rosterId: null, role: "student", work: 7, choosing: null },
      course: { id: "c", title: "5 Kittiwake" },
      services: { lineItems: null, members: null, cartridge: null },
    },
  });
  const custom = { work: "9", cartridge_url: "https://site.example/c" };
  expect(readLaunch({ ...right, [claims.custom]: custom }, expected)).toMatchObject({
    launch: { work: 9, services: { cartridge: "https://site.example/c" } },
  });
});

test("a variable the course site does not know is no address, and nor is a script", () => {
  for (const cartridge_url of ["$Context.cartridge.url", "javascript:alert(1)", 7])
    expect(readLaunch({ ...right, [claims.custom]: { cartridge_url } }, expected)).toMatchObject({
      launch: { services: { cartridge: null } },
    });
});

test("she chooses for the course, one thing or several", () => {
  expect(readLaunch(choosing, expected)).toMatchObject({ launch: { choosing: { several: false, data: null } } });
  const more = { ...settings, accept_multiple: true, data: "x" };
  expect(readLaunch({ ...choosing, [claims.settings]: more }, expected)).toMatchObject({
    launch: { choosing: { several: true, data: "x", returnUrl: "https://site.example/r" } },
  });
});

const broken: [string, object, LaunchRule][] = [
  ["says nothing of who it is", { ...right, sub: undefined }, "shape"],
  ["is no object of the kind", { ...right, [claims.roles]: "teacher" }, "shape"],
  ["is for somebody else", { ...right, aud: "them" }, "audience"],
  ["is for several and does not say who may use it", { ...right, aud: ["us", "them"] }, "authorized party"],
  ["is for us and may be used by somebody else", { ...right, azp: "them" }, "authorized party"],
  ["answers another question", { ...right, nonce: "other" }, "nonce"],
  ["is over", { ...right, exp: seconds - 61 }, "expired"],
  [
    "was made long ago, however long it says it is good",
    { ...right, iat: seconds - 601, exp: seconds + 9e6 },
    "expired",
  ],
  ["is from the future", { ...right, iat: seconds + 61 }, "from the future"],
  ["is of another version", { ...right, [claims.version]: "1.1" }, "version"],
  ["is of another deployment", { ...right, [claims.deployment]: "2" }, "deployment"],
  ["is of another kind", { ...right, [claims.messageType]: "LtiSubmissionReviewRequest" }, "message type"],
  ["is about no link", { ...right, [claims.resourceLink]: undefined }, "resource link"],
  ["leads elsewhere", { ...right, [claims.target]: "https://elsewhere.example/lti/launch" }, "target"],
  ["leads nowhere", { ...right, [claims.target]: undefined }, "target"],
  [
    "leads to an address that only begins like ours",
    { ...right, [claims.target]: "https://satchel.example.evil.example/" },
    "target",
  ],
  [
    "is of nobody who teaches or learns",
    { ...right, [claims.roles]: ["http://purl.imsglobal.org/vocab/lis/v2/membership#Mentor"] },
    "role",
  ],
  ["lets a student choose", { ...choosing, [claims.roles]: [roleNames.student] }, "choosing"],
  [
    "chooses and takes no links",
    { ...choosing, [claims.settings]: { ...settings, accept_types: ["file"] } },
    "choosing",
  ],
  [
    "goes back to a script",
    { ...choosing, [claims.settings]: { ...settings, deep_link_return_url: "javascript:alert(1)" } },
    "shape",
  ],
  ["has its columns in a file", { ...right, [claims.endpoint]: { lineitems: "file:///etc/passwd" } }, "shape"],
  ["chooses for nowhere", { ...choosing, [claims.settings]: undefined }, "choosing"],
];

test.each(broken)("a message that %s is refused", (_name, payload, rule) => {
  expect(readLaunch(payload, expected)).toEqual({ ok: false, rule });
});

test("clocks may differ by a minute", () => {
  expect(readLaunch({ ...right, exp: seconds - 59 }, expected).ok).toBe(true);
  expect(readLaunch({ ...right, iat: seconds + 59, exp: seconds + 300 }, expected).ok).toBe(true);
});

test("what goes back says where the work is, when it is due and what it is worth", () => {
  const opens = new Date("2026-11-26T09:00Z");
  const due = new Date("2026-11-27T15:00Z");
  const item = contentItem("https://satchel.example", { work: 7, title: "Tides", opens, due, outOf: 4 });
  expect(item).toMatchObject({
    ...{ type: "ltiResourceLink", url: "https://satchel.example/lti/launch?work=7", custom: { work: "7" } },
    submission: { endDateTime: "2026-11-27T15:00:00.000Z" },
    lineItem: { label: "Tides", scoreMaximum: 4, resourceId: "work-7" },
  });
  const unmarked = contentItem("https://a.example", { work: 7, title: "Tides", opens, due, outOf: null });
  expect(unmarked).not.toHaveProperty("lineItem");
  expect(deepLinkResponse({ deployment: "1", data: "d", items: [item], nonce: "n" })).toMatchObject({
    [claims.messageType]: "LtiDeepLinkingResponse",
    [claims.data]: "d",
    [claims.items]: [item],
  });
});
