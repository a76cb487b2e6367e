import { createRemoteJWKSet, importJWK, jwtVerify, SignJWT, type CryptoKey, type JWK, type JWTPayload } from "jose";
import { randomUUID } from "node:crypto";
import type { Course, Person, Store, Tool } from "./state";

const CLAIM = "https://purl.imsglobal.org/spec/lti/claim/";
const DEEP = "https://purl.imsglobal.org/spec/lti-dl/claim/";
const MEMBERSHIP = "http://purl.imsglobal.org/vocab/lis/v2/membership#";
export const scopes = {
  lineItem: "https://purl.imsglobal.org/spec/lti-ags/scope/lineitem",
  score: "https://purl.imsglobal.org/spec/lti-ags/scope/score",
  members: "https://purl.imsglobal.org/spec/lti-nrps/scope/contextmembership.readonly",
  cartridge: "https://golden-satchel.example/scope/cartridge",
};

/** What a launch is about; travels as the hint between two redirects. */
export interface Hint {
  course: string;
  /** null: the tool itself. */
  entry: string | null;
  chooses: boolean;
}

/** What the course site says of itself. */
export const configuration = (issuer: string) => ({
  issuer,
  authorization_endpoint: `${issuer}/authorize`,
  registration_endpoint: `${issuer}/register`,
  token_endpoint: `${issuer}/token`,
  jwks_uri: `${issuer}/keys`,
  token_endpoint_auth_methods_supported: ["private_key_jwt"],
  token_endpoint_auth_signing_alg_values_supported: ["RS256"],
  id_token_signing_alg_values_supported: ["RS256"],
  response_types_supported: ["id_token"],
  subject_types_supported: ["public"],
  scopes_supported: ["openid", ...Object.values(scopes)],
  "https://purl.imsglobal.org/spec/lti-platform-configuration": {
    product_family_code: "Quayside courses",
    version: "1",
    messages_supported: [{ type: "LtiResourceLinkRequest" }, { type: "LtiDeepLinkingRequest" }],
    variables: ["Context.cartridge.url"],
  },
});

/** Takes a tool that registers itself. */
export function registerTool(store: Store, said: Record<string, unknown>): Record<string, unknown> {
  const config = said["https://purl.imsglobal.org/spec/lti-tool-configuration"] as {
    target_link_uri: string;
    custom_parameters?: Record<string, string>;
    messages: { type: string }[];
  };
  const tool: Tool = {
    ...{ clientId: `tool-${randomUUID()}`, deployment: "1", name: String(said.client_name) },
    ...{
      login: String(said.initiate_login_uri),
      redirects: said.redirect_uris as string[],
      keys: String(said.jwks_uri),
    },
    ...{ target: config.target_link_uri, custom: config.custom_parameters ?? {} },
    chooses: config.messages.some(({ type }) => type === "LtiDeepLinkingRequest"),
  };
  store.state.tools = [...store.state.tools.filter(({ login }) => login !== tool.login), tool];
  store.save();
  return {
    ...said,
    client_id: tool.clientId,
    "https://purl.imsglobal.org/spec/lti-tool-configuration": { ...config, deployment_id: tool.deployment },
  };
}

/** Where a launch begins: the tool is asked to ask who is there. */
export function loginAddress(issuer: string, tool: Tool, person: Person, course: Course, hint: Hint): string {
  const to = new URL(tool.login);
  const target = (hint.entry && course.entries[hint.entry]?.launch?.url) || tool.target;
  for (const [name, value] of Object.entries({
    ...{ iss: issuer, login_hint: person.id, target_link_uri: target, client_id: tool.clientId },
    ...{ lti_deployment_id: tool.deployment, lti_message_hint: JSON.stringify(hint) },
  }))
    to.searchParams.set(name, value);
  return to.href;
}

const sign = async (store: Store, payload: JWTPayload) =>
  new SignJWT(payload)
    .setProtectedHeader({ alg: "RS256", kid: "course-site" })
    .setIssuedAt()
    .setExpirationTime("5m")
    .sign((await importJWK(store.state.key as JWK, "RS256")) as CryptoKey);

/** The signed message that says who comes in, from where, and what it is about. */
export async function idToken(
  store: Store,
  issuer: string,
  of: { tool: Tool; person: Person; hint: Hint; nonce: string },
): Promise<string> {
  const { tool, person, hint, nonce } = of;
  const course = store.course(hint.course)!;
  const entry = hint.entry ? course.entries[hint.entry] : undefined;
  const here = `${issuer}/courses/${course.id}`;
  const variables: Record<string, string> = { "$Context.cartridge.url": `${here}/cartridge` };
  const custom = Object.fromEntries(
    Object.entries({ ...tool.custom, ...entry?.launch?.custom }).map(([name, value]) => [
      name,
      variables[value] ?? value,
    ]),
  );
  const column = course.lineItems.find(({ resourceId }) => resourceId !== null && resourceId === hint.entry);
  return sign(store, {
    ...{ iss: issuer, aud: tool.clientId, sub: person.id, nonce },
    ...{ given_name: person.given, family_name: person.family, email: person.email },
    [`${CLAIM}version`]: "1.3.0",
    [`${CLAIM}message_type`]: hint.chooses ? "LtiDeepLinkingRequest" : "LtiResourceLinkRequest",
    [`${CLAIM}deployment_id`]: tool.deployment,
    [`${CLAIM}target_link_uri`]: entry?.launch?.url ?? tool.target,
    [`${CLAIM}roles`]: [`${MEMBERSHIP}${person.role === "student" ? "Learner" : "Instructor"}`],
    [`${CLAIM}context`]: { id: course.id, title: course.title },
    [`${CLAIM}custom`]: custom,
    [`${CLAIM}lis`]: { person_sourcedid: person.sourcedId },
    ...(!hint.chooses && { [`${CLAIM}resource_link`]: { id: hint.entry ?? `tool-${course.id}` } }),
    "https://purl.imsglobal.org/spec/lti-ags/claim/endpoint": {
      scope: [scopes.lineItem, scopes.score],
      lineitems: `${here}/lineitems`,
      ...(column && { lineitem: `${here}/lineitems/${column.id}` }),
    },
    "https://purl.imsglobal.org/spec/lti-nrps/claim/namesroleservice": {
      context_memberships_url: `${here}/members`,
      service_versions: ["2.0"],
    },
    ...(hint.chooses && {
      [`${DEEP}deep_linking_settings`]: {
        ...{ deep_link_return_url: `${here}/chosen`, accept_types: ["ltiResourceLink"] },
        ...{ accept_presentation_document_targets: ["window"], accept_multiple: true, data: course.id },
      },
    }),
  });
}

const used = new Set<string>();
function once(id: unknown): void {
  if (typeof id !== "string" || used.has(id)) throw new Error("used before");
  used.add(id);
}

/** What she chose in the tool: links in a topic of their own, and a column for each that is marked. */
export async function takeChosen(store: Store, issuer: string, course: Course, jwt: string): Promise<number> {
  const [tool] = store.state.tools;
  const { payload } = await jwtVerify(jwt, createRemoteJWKSet(new URL(tool!.keys)), {
    ...{ algorithms: ["RS256"], issuer: tool!.clientId, audience: issuer },
  });
  once(payload.nonce);
  if (payload[`${CLAIM}deployment_id`] !== tool!.deployment || payload[`${DEEP}data`] !== course.id)
    throw new Error("not for this course");
  const items = payload[`${DEEP}content_items`] as {
    title: string;
    url: string;
    custom: Record<string, string>;
    available?: { startDateTime: string };
    submission?: { endDateTime: string };
    lineItem?: { label: string; scoreMaximum: number; resourceId: string };
  }[];
  const title = `From ${tool!.name}`;
  let topic = course.topics.find((one) => one.title === title);
  if (!topic) course.topics.push((topic = { id: `t${course.topics.length + 1}`, title, entries: [] }));
  for (const item of items) {
    const id = item.lineItem?.resourceId ?? `link-${randomUUID()}`;
    course.entries[id] = { id, title: item.title, page: null, launch: { url: item.url, custom: item.custom } };
    if (!topic.entries.includes(id)) topic.entries.push(id);
    if (item.lineItem)
      course.lineItems.push({
        ...{ id: course.lineItems.length + 1, label: item.lineItem.label, scoreMaximum: item.lineItem.scoreMaximum },
        ...{ resourceId: id, startDateTime: item.available?.startDateTime ?? null },
        ...{ endDateTime: item.submission?.endDateTime ?? null, scores: {} },
      });
  }
  store.save();
  return items.length;
}

const tokens = new Map<string, { scopes: string[]; until: number }>();
const SECONDS = 3600;

/** Lets a tool in that proves who it is by signing (RFC 7523). */
export async function giveToken(store: Store, issuer: string, form: URLSearchParams): Promise<object> {
  const assertion = form.get("client_assertion") ?? "";
  const [, body = ""] = assertion.split(".");
  const { iss } = JSON.parse(Buffer.from(body, "base64url").toString() || "{}") as { iss?: string };
  const tool = store.state.tools.find(({ clientId }) => clientId === iss);
  if (!tool || form.get("grant_type") !== "client_credentials") throw new Error("no such tool");
  const { payload } = await jwtVerify(assertion, createRemoteJWKSet(new URL(tool.keys)), {
    ...{ algorithms: ["RS256"], issuer: tool.clientId, subject: tool.clientId, audience: `${issuer}/token` },
  });
  once(payload.jti);
  const known = Object.values(scopes);
  const asked = (form.get("scope") ?? "").split(" ").filter((scope) => known.includes(scope));
  const token = randomUUID();
  tokens.set(token, { scopes: asked, until: Date.now() + SECONDS * 1000 });
  return { access_token: token, token_type: "Bearer", expires_in: SECONDS, scope: asked.join(" ") };
}

export function mayUse(authorization: string | undefined, scope: string): boolean {
  const token = tokens.get(authorization?.replace(/^Bearer /, "") ?? "");
  return token !== undefined && token.until > Date.now() && token.scopes.includes(scope);
}
