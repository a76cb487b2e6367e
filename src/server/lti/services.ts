import { createHash } from "node:crypto";
import { z } from "zod";
import { scopes } from "@/core/lti/claims";
import type { Db } from "@/data/engine/db";
import type { OtherCourse, OtherSystem } from "@/data/lti/systems";
import { ask, askJson, NoAnswer } from "../web/ask-elsewhere";
import { signed } from "./keys";

const ASSERTION = "urn:ietf:params:oauth:client-assertion-type:jwt-bearer";
const types = {
  lineItem: "application/vnd.ims.lis.v2.lineitem+json",
  lineItems: "application/vnd.ims.lis.v2.lineitemcontainer+json",
  score: "application/vnd.ims.lis.v1.score+json",
  members: "application/vnd.ims.lti-nrps.v2.membershipcontainer+json",
} as const;

const Token = z.object({ access_token: z.string().min(1), expires_in: z.number().optional() });
const tokens = new Map<string, { token: string; until: number }>();
const EARLY_MS = 30_000;

/** A token for these services (RFC 7523: we prove who we are by signing); kept as long as it is good. */
async function tokenFor(db: Db, system: OtherSystem, scope: readonly string[]): Promise<string> {
  const key = `${system.id} ${system.tokenUrl} ${scope.join(" ")}`;
  const kept = tokens.get(key);
  if (kept && kept.until > Date.now()) return kept.token;
  const assertion = await signed(
    db,
    {},
    { issuer: system.clientId, subject: system.clientId, audience: system.tokenUrl },
  );
  const came = Token.safeParse(
    await askJson(system.tokenUrl, {
      method: "POST",
      body: new URLSearchParams({
        ...{ grant_type: "client_credentials", scope: scope.join(" ") },
        ...{ client_assertion_type: ASSERTION, client_assertion: assertion },
      }),
    }),
  );
  if (!came.success) throw new NoAnswer("The other system did not let us in.");
  tokens.set(key, {
    token: came.data.access_token,
    until: Date.now() + (came.data.expires_in ?? 60) * 1000 - EARLY_MS,
  });
  return came.data.access_token;
}

const withToken = async (
  db: Db,
  system: OtherSystem,
  scope: string,
  address: string,
  init: RequestInit & { headers: Record<string, string> },
) => {
  const authorization = `Bearer ${await tokenFor(db, system, [scope])}`;
  return ask(address, { ...init, headers: { ...init.headers, authorization } });
};

const parsed = <Value>(schema: z.ZodType<Value>, text: string): Value => {
  let read: unknown;
  try {
    read = JSON.parse(text);
  } catch {
    read = undefined;
  }
  const came = schema.safeParse(read);
  if (!came.success) throw new NoAnswer("The other system answered with something that cannot be read.");
  return came.data;
};

const LineItem = z.object({
  id: z.url(),
  label: z.string(),
  scoreMaximum: z.number(),
  resourceId: z.string().nullish(),
  startDateTime: z.string().nullish(),
  endDateTime: z.string().nullish(),
});
/** A column for marks there (Assignment and Grade Services 2.0). */
export type LineItem = z.infer<typeof LineItem>;

/** Of a very long list the first pages are read. */
const MOST_PAGES = 20;

/** Every column of ours in a course. */
export async function lineItemsOf(db: Db, system: OtherSystem, { lineItemsUrl }: OtherCourse): Promise<LineItem[]> {
  const found: LineItem[] = [];
  let next: string | null = lineItemsUrl;
  for (let page = 0; next && page < MOST_PAGES; page += 1) {
    const { text, headers } = await withToken(db, system, scopes.lineItem, next, {
      headers: { accept: types.lineItems },
    });
    found.push(...parsed(z.array(LineItem), text));
    // RFC 8288.
    next = /<([^>]{1,2000})>;\s*rel="?next"?/.exec(headers.get("link") ?? "")?.[1] ?? null;
  }
  return found;
}

export type NewLineItem = Omit<LineItem, "id">;

export async function addLineItem(
  db: Db,
  system: OtherSystem,
  { lineItemsUrl }: OtherCourse,
  item: NewLineItem,
): Promise<LineItem> {
  if (!lineItemsUrl) throw new NoAnswer("The other system keeps no marks for this course.");
  const { text } = await withToken(db, system, scopes.lineItem, lineItemsUrl, {
    ...{ method: "POST", headers: { "content-type": types.lineItem }, body: JSON.stringify(item) },
  });
  return parsed(LineItem, text);
}

export async function changeLineItem(db: Db, system: OtherSystem, item: LineItem): Promise<void> {
  await withToken(db, system, scopes.lineItem, item.id, {
    ...{ method: "PUT", headers: { "content-type": types.lineItem }, body: JSON.stringify(item) },
  });
}

/** A mark on its way; `gained` null: it is not there any more. */
export interface Score {
  subject: string;
  gained: number | null;
  outOf: number | null;
  at: Date;
}

export async function sendScore(db: Db, system: OtherSystem, lineItem: string, score: Score): Promise<void> {
  // The address may have a query of its own.
  const address = new URL(lineItem);
  address.pathname += "/scores";
  await withToken(db, system, scopes.score, address.href, {
    ...{ method: "POST", headers: { "content-type": types.score } },
    body: JSON.stringify({
      ...{ userId: score.subject, timestamp: score.at.toISOString(), activityProgress: "Completed" },
      ...(score.gained === null
        ? { gradingProgress: "PendingManual" }
        : { scoreGiven: score.gained, scoreMaximum: score.outOf, gradingProgress: "FullyGraded" }),
    }),
  });
}

const Members = z.object({
  members: z.array(z.object({ user_id: z.string(), lis_person_sourcedid: z.string().optional() })),
});

/** Who is in a course there, with what the roster calls them (Names and Role Provisioning 2.0). */
export async function membersOf(
  db: Db,
  system: OtherSystem,
  { membersUrl }: OtherCourse,
): Promise<{ subject: string; rosterId: string }[]> {
  if (!membersUrl) return [];
  const { text } = await withToken(db, system, scopes.members, membersUrl, { headers: { accept: types.members } });
  return parsed(Members, text).members.flatMap((member) =>
    member.lis_person_sourcedid ? [{ subject: member.user_id, rosterId: member.lis_person_sourcedid }] : [],
  );
}

/** The manifest of what is in a course there, as it would give it away (Common Cartridge). */
export async function manifestThere(
  db: Db,
  system: OtherSystem,
  { cartridgeUrl }: OtherCourse,
): Promise<string | null> {
  if (!cartridgeUrl) return null;
  const { text } = await withToken(db, system, scopes.cartridge, cartridgeUrl, {
    headers: { accept: "application/xml" },
  });
  return text;
}

/** Longer pages than this are not compared. */
const LONGEST_PAGE = 2_000_000;

/**
 * A hash of a page that is in a course there. A package says where its files are beside its manifest: they are asked for beneath the address of the
 * cartridge. Null: it does not give it.
 */
export async function pageThere(
  db: Db,
  system: OtherSystem,
  { cartridgeUrl }: OtherCourse,
  href: string,
): Promise<string | null> {
  if (!cartridgeUrl) return null;
  const inside = `${cartridgeUrl.replace(/\/$/, "")}/`;
  const address = URL.parse(href, inside)?.href;
  // What the manifest says is not ours: nothing else is asked with our token.
  if (!address?.startsWith(inside)) return null;
  try {
    const { text } = await withToken(db, system, scopes.cartridge, address, { headers: { accept: "text/html" } });
    return text.length > LONGEST_PAGE ? null : createHash("sha256").update(text).digest("hex");
  } catch (error) {
    if (error instanceof NoAnswer) return null;
    throw error;
  }
}

export async function sendCartridge(
  db: Db,
  system: OtherSystem,
  { cartridgeUrl }: OtherCourse,
  bytes: Uint8Array,
): Promise<void> {
  if (!cartridgeUrl) return;
  await withToken(db, system, scopes.cartridge, cartridgeUrl, {
    ...{ method: "POST", headers: { "content-type": "application/zip" } },
    body: Buffer.from(bytes),
  });
}
