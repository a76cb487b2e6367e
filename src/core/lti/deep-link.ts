import { claims, VERSION } from "./claims";

/** A piece of work as it is put into a course there. */
export interface LinkedWork {
  work: number;
  title: string;
  opens: Date;
  due: Date;
  /** Marks it is worth; null: nothing is marked. */
  outOf: number | null;
}

/**
 * Where a link there leads: it is opened by launching this, and custom parameters say which piece of work.
 * `targetOf("https://satchel.example", 7)` gives `"https://satchel.example/lti/launch?work=7"`.
 */
export const targetOf = (base: string, work: number): string => `${base}/lti/launch?work=${work}`;

/**
 * A link to a piece of work as a content item (Deep Linking 2.0, "LTI resource link").
 * `contentItem("https://satchel.example", { work: 7, title: "Tides", opens: new Date(0), due: new Date(0), outOf: null }).custom` gives `{ work: "7" }`.
 */
export const contentItem = (base: string, { work, title, opens, due, outOf }: LinkedWork): object => ({
  type: "ltiResourceLink",
  title,
  url: targetOf(base, work),
  custom: { work: String(work) },
  available: { startDateTime: opens.toISOString() },
  submission: { endDateTime: due.toISOString() },
  ...(outOf !== null && { lineItem: { label: title, scoreMaximum: outOf, resourceId: `work-${work}` } }),
});

/**
 * What goes back when she has chosen. It is signed and says whom it is for.
 * `deepLinkResponse({ deployment: "1", data: null, items: [], nonce: "n" }).nonce` gives `"n"`.
 */
export const deepLinkResponse = (of: {
  deployment: string;
  data: string | null;
  items: readonly object[];
  nonce: string;
}): Record<string, unknown> => ({
  nonce: of.nonce,
  [claims.messageType]: "LtiDeepLinkingResponse",
  [claims.version]: VERSION,
  [claims.deployment]: of.deployment,
  ...(of.data !== null && { [claims.data]: of.data }),
  [claims.items]: of.items,
});
