import { z } from "zod";
import { configuration, messages, scopes } from "@/core/lti/claims";
import type { Db } from "@/data/engine/db";
import { addSystem } from "@/data/lti/systems";
import { askJson, mayAsk, NoAnswer } from "../web/ask-elsewhere";

const Configuration = z.object({
  issuer: z.url(),
  authorization_endpoint: z.url(),
  registration_endpoint: z.url(),
  token_endpoint: z.url(),
  jwks_uri: z.url(),
  scopes_supported: z.array(z.string()).optional(),
  [configuration.platform]: z.object({ product_family_code: z.string().max(200).optional() }).optional(),
});
/** What a course site says of itself (OpenID Connect Discovery, with LTI Dynamic Registration's additions). */
export type SystemConfiguration = z.infer<typeof Configuration>;

const Registered = z.object({
  client_id: z.string().min(1).max(500),
  [configuration.tool]: z.object({ deployment_id: z.string().min(1).max(255).optional() }).optional(),
});

const originOf = (address: string) => new URL(address).origin;

/**
 * Reads what a course site says of itself. It must be who it is asked as (LTI Dynamic Registration: the issuer's site is the configuration's);
 * its services may be elsewhere, but only where we may ask.
 * @throws NoAnswer
 */
export async function readConfiguration(address: string): Promise<SystemConfiguration> {
  if (!mayAsk(address)) throw new NoAnswer("The address of the other system must begin with https://.");
  const read = Configuration.safeParse(await askJson(address));
  if (!read.success) throw new NoAnswer("This is no course site that we can connect to.");
  const said = read.data;
  if (originOf(said.issuer) !== originOf(address))
    throw new NoAnswer("This address belongs to another course site. It was not connected.");
  const all = [said.authorization_endpoint, said.registration_endpoint, said.token_endpoint, said.jwks_uri];
  if (!all.every(mayAsk)) throw new NoAnswer("The addresses of this course site must begin with https://.");
  return said;
}

/** What this installation says of itself when it is registered (LTI Dynamic Registration 1.0; names from memory). */
export const toolRegistration = (base: string): object => ({
  ...{ application_type: "web", response_types: ["id_token"], grant_types: ["implicit", "client_credentials"] },
  ...{ initiate_login_uri: `${base}/lti/login`, redirect_uris: [`${base}/lti/launch`], jwks_uri: `${base}/lti/keys` },
  ...{ client_name: "Golden Satchel", token_endpoint_auth_method: "private_key_jwt" },
  scope: Object.values(scopes).join(" "),
  [configuration.tool]: {
    ...{ domain: new URL(base).host, target_link_uri: `${base}/lti/launch` },
    // A course site that knows how to take a cartridge puts its address here; another leaves it as it is.
    custom_parameters: { cartridge_url: "$Context.cartridge.url" },
    claims: ["iss", "sub", "given_name", "family_name", "email"],
    messages: [
      { type: messages.resource, target_link_uri: `${base}/lti/launch` },
      { type: messages.choose, target_link_uri: `${base}/lti/launch`, label: "Add from Golden Satchel" },
    ],
  },
});

/** Connects a course site and this school: it gets to know us, we keep what it calls us. */
export async function register(
  db: Db,
  of: { school: number; by: number; base: string; now: Date },
  said: { configuration: string; token: string | null },
): Promise<{ name: string }> {
  const system = await readConfiguration(said.configuration);
  const answer = await askJson(system.registration_endpoint, {
    method: "POST",
    headers: { "content-type": "application/json", ...(said.token && { authorization: `Bearer ${said.token}` }) },
    body: JSON.stringify(toolRegistration(of.base)),
  });
  const read = Registered.safeParse(answer);
  const deployment = read.data?.[configuration.tool]?.deployment_id;
  if (!read.success || !deployment) throw new NoAnswer("The course site did not take us. Nothing was connected.");
  const name = system[configuration.platform]?.product_family_code ?? new URL(system.issuer).host;
  await addSystem(db, {
    ...{ school: of.school, name, issuer: system.issuer, clientId: read.data.client_id, deployment },
    ...{ authorizeUrl: system.authorization_endpoint, tokenUrl: system.token_endpoint, keysUrl: system.jwks_uri },
    ...{ by: of.by, at: of.now },
  });
  return { name };
}
