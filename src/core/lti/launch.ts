import { z } from "zod";
import { claims, messages, roleNames, VERSION } from "./claims";

/** Never a script or a file. */
const WebAddress = z.url({ protocol: /^https?$/ }).max(2000);

/** What a course site says of somebody who comes in, once the signature has been found right. */
const Payload = z.object({
  aud: z.union([z.string(), z.array(z.string())]),
  azp: z.string().optional(),
  sub: z.string().min(1).max(255),
  nonce: z.string(),
  exp: z.number(),
  iat: z.number(),
  given_name: z.string().max(200).optional(),
  family_name: z.string().max(200).optional(),
  email: z.string().max(320).optional(),
  [claims.messageType]: z.string(),
  [claims.version]: z.string(),
  [claims.deployment]: z.string().min(1).max(255),
  [claims.target]: z.string().max(2000).optional(),
  [claims.resourceLink]: z.object({ id: z.string().min(1).max(255) }).optional(),
  [claims.roles]: z.array(z.string().max(300)).max(50),
  [claims.context]: z.object({ id: z.string().min(1).max(255), title: z.string().max(300).optional() }).optional(),
  [claims.custom]: z.record(z.string(), z.unknown()).optional(),
  [claims.lis]: z.object({ person_sourcedid: z.string().max(255).optional() }).optional(),
  [claims.endpoint]: z.object({ lineitems: WebAddress.optional() }).optional(),
  [claims.members]: z.object({ context_memberships_url: WebAddress }).optional(),
  [claims.settings]: z
    .object({
      deep_link_return_url: WebAddress,
      accept_types: z.array(z.string()),
      accept_multiple: z.boolean().optional(),
      data: z.string().max(10_000).optional(),
    })
    .optional(),
});

/** Somebody comes in from a course there. */
export interface Launch {
  subject: string;
  email: string | null;
  /** What the roster the other system has calls them. */
  rosterId: string | null;
  role: "teacher" | "student";
  course: { id: string; title: string } | null;
  services: { lineItems: string | null; members: string | null; cartridge: string | null };
  /** The piece of work a link there is about; null: none. */
  work: number | null;
  /** She is choosing for the course: where the choice goes back to. */
  choosing: { returnUrl: string; data: string | null; several: boolean } | null;
}

/** What has to hold of a message; the first that does not is what it is refused for. */
export const launchRules = [
  "shape",
  "audience",
  "authorized party",
  "nonce",
  "expired",
  "from the future",
  "version",
  "deployment",
  "message type",
  "resource link",
  "target",
  "role",
  "choosing",
] as const;
export type LaunchRule = (typeof launchRules)[number];

export interface LaunchExpected {
  clientId: string;
  deployment: string;
  /** What we asked for this once. */
  nonce: string;
  /** Where this installation is: a link leads nowhere else. */
  origin: string;
  now: Date;
}

/** Clocks of two systems differ; by more than this, one of them is wrong. */
const LEEWAY_SECONDS = 60;
/** A message that says it is good for longer than this is no message for now. */
const OLDEST_SECONDS = 600;

const refused = (rule: LaunchRule) => ({ ok: false as const, rule });
/** A variable the other system does not know comes as it was asked for. */
const known = (value: unknown): string | null => WebAddress.safeParse(value).data ?? null;

/**
 * What a message says, after all rules of the specification that are not about its signature (LTI 1.3 core, "Authentication response
 * validation"; from memory).
 * `readLaunch({}, { clientId: "us", now: new Date(0) })` gives `{ ok: false, rule: "shape" }`.
 */
export function readLaunch(
  payload: unknown,
  expected: LaunchExpected,
): { ok: true; launch: Launch } | { ok: false; rule: LaunchRule } {
  const parsed = Payload.safeParse(payload);
  if (!parsed.success) return refused("shape");
  const said = parsed.data;
  const audiences = [said.aud].flat();
  if (!audiences.includes(expected.clientId)) return refused("audience");
  if (said.azp !== undefined && said.azp !== expected.clientId) return refused("authorized party");
  if (audiences.length > 1 && said.azp === undefined) return refused("authorized party");
  if (said.nonce !== expected.nonce) return refused("nonce");
  const now = expected.now.getTime() / 1000;
  if (said.exp <= now - LEEWAY_SECONDS || said.iat < now - OLDEST_SECONDS) return refused("expired");
  if (said.iat > now + LEEWAY_SECONDS) return refused("from the future");
  if (said[claims.version] !== VERSION) return refused("version");
  if (said[claims.deployment] !== expected.deployment) return refused("deployment");
  const type = said[claims.messageType];
  const isChoosing = type === messages.choose;
  if (!isChoosing && type !== messages.resource) return refused("message type");
  if (!isChoosing && !said[claims.resourceLink]) return refused("resource link");
  const target = said[claims.target];
  const isOurs = target !== undefined && URL.canParse(target) && new URL(target).origin === expected.origin;
  if (!isOurs) return refused("target");
  const roles = said[claims.roles];
  const role = roles.includes(roleNames.teacher) ? "teacher" : roles.includes(roleNames.student) ? "student" : null;
  if (!role) return refused("role");
  const settings = said[claims.settings];
  if (isChoosing && (role !== "teacher" || !settings?.accept_types.includes("ltiResourceLink")))
    return refused("choosing");
  const custom = said[claims.custom] ?? {};
  const work = Number(custom.work ?? new URL(target).searchParams.get("work"));
  const context = said[claims.context];
  return {
    ok: true,
    launch: {
      ...{ subject: said.sub, email: said.email?.toLowerCase() ?? null, role },
      rosterId: said[claims.lis]?.person_sourcedid ?? null,
      course: context ? { id: context.id, title: context.title ?? "A course" } : null,
      services: {
        lineItems: said[claims.endpoint]?.lineitems ?? null,
        members: said[claims.members]?.context_memberships_url ?? null,
        cartridge: known(custom.cartridge_url),
      },
      work: Number.isInteger(work) && work > 0 && work < 1e9 ? work : null,
      choosing:
        isChoosing && settings
          ? {
              returnUrl: settings.deep_link_return_url,
              data: settings.data ?? null,
              several: settings.accept_multiple ?? false,
            }
          : null,
    },
  };
}
