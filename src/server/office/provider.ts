import * as openid from "openid-client";
import {
  beginProviderLogin,
  endProviderLogin,
  personOfProvider,
  providerById,
  type Provider,
  type Subject,
} from "@/data/office/providers";
import type { Db } from "@/data/engine/db";
import { mayAsk, NoAnswer } from "../web/ask-elsewhere";
import { log } from "../web/log";
import { newToken, tokenHash } from "../web/secrets";

const LOGIN_MINUTES = 10;
const LIMIT_S = 10;

/** What it says of itself, kept for an hour. */
const known = new Map<string, { until: number; configuration: Promise<openid.Configuration> }>();
const KEPT_MS = 3_600_000;

/** Only where we may ask, and never sent on to another address. */
const carefully: openid.CustomFetch = (address, options) => {
  if (!mayAsk(address)) throw new NoAnswer("The address of the school's sign-in must begin with https://.");
  return fetch(address, { ...(options as RequestInit), redirect: "error" });
};

async function discovered({ issuer, clientId, clientSecret }: Provider): Promise<openid.Configuration> {
  const isHere = new URL(issuer).protocol === "http:";
  return openid.discovery(new URL(issuer), clientId, clientSecret, openid.ClientSecretBasic(clientSecret), {
    ...{ timeout: LIMIT_S, [openid.customFetch]: carefully },
    // The token's signature is asked too, though it comes straight from there. mayAsk lets only the demo through without https.
    execute: [openid.enableNonRepudiationChecks, ...(isHere ? [openid.allowInsecureRequests] : [])],
  });
}

/**
 * What a school's sign-in says of itself (OpenID Connect Discovery 1.0).
 * @throws NoAnswer in words for the person who waits
 */
export async function configurationOf(provider: Provider): Promise<openid.Configuration> {
  if (!mayAsk(provider.issuer)) throw new NoAnswer("The address of the school's sign-in must begin with https://.");
  const key = JSON.stringify([provider.issuer, provider.clientId, provider.clientSecret]);
  const kept = known.get(key);
  if (kept && kept.until > Date.now()) return kept.configuration;
  const configuration = discovered(provider);
  known.set(key, { until: Date.now() + KEPT_MS, configuration });
  try {
    return await configuration;
  } catch (error) {
    known.delete(key);
    log.error({ host: new URL(provider.issuer).host, error: (error as Error).message }, "no sign-in there");
    throw new NoAnswer("The school's sign-in does not answer at this address.");
  }
}

/** Begins a sign-in: the address there, and the state a cookie keeps in this browser. Null: there is no such provider. */
export async function beginSigningIn(
  db: Db,
  id: number,
  of: { base: string; now: Date },
): Promise<{ to: string; state: string } | null> {
  const provider = await providerById(db, id);
  if (!provider) return null;
  const configuration = await configurationOf(provider);
  const [state, nonce, verifier] = [newToken(), newToken(), openid.randomPKCECodeVerifier()];
  await beginProviderLogin(db, {
    ...{ stateHash: tokenHash(state), provider: id, verifier, nonce, now: of.now },
    expires: new Date(of.now.getTime() + LOGIN_MINUTES * 60_000),
  });
  const to = openid.buildAuthorizationUrl(configuration, {
    ...{ redirect_uri: `${of.base}/sign-in/back`, scope: "openid email profile", state, nonce },
    ...{ code_challenge: await openid.calculatePKCECodeChallenge(verifier), code_challenge_method: "S256" },
  });
  return { to: to.href, state };
}

export type SigningIn =
  | { ok: true; person: number; kind: "adult" | "student" }
  /** "late": not begun in this browser, or too long ago, or for a second time. */
  | { ok: false; why: "late" | "who" | "refused" };

const textIn = (claims: openid.IDToken, name: string): string | null => {
  const said = claims[name];
  return typeof said === "string" && said.length > 0 && said.length <= 320 ? said : null;
};

const subjectIn = (claims: openid.IDToken): Subject => ({
  subject: claims.sub,
  email: claims.email_verified === true ? textIn(claims, "email") : null,
  // The name 1EdTech's claims have for what the roster calls somebody.
  rosterId: textIn(claims, "person_sourcedid"),
});

/**
 * Somebody comes back from the school's sign-in. State, nonce, PKCE, signature, issuer, audience and times are asked by `openid-client`; why it
 * was refused goes to the log.
 */
export async function endSigningIn(
  db: Db,
  said: { address: URL; cookie: string | null },
  now: Date,
): Promise<SigningIn> {
  const state = said.address.searchParams.get("state");
  if (state === null || said.cookie !== state) return { ok: false, why: "late" };
  const login = await endProviderLogin(db, tokenHash(state), now);
  const provider = login && (await providerById(db, login.provider));
  if (!login || !provider) return { ok: false, why: "late" };
  let claims: openid.IDToken | undefined;
  try {
    const answer = await openid.authorizationCodeGrant(await configurationOf(provider), said.address, {
      ...{ expectedState: state, expectedNonce: login.nonce, pkceCodeVerifier: login.verifier, idTokenExpected: true },
    });
    claims = answer.claims();
  } catch (error) {
    log.error({ error: (error as Error).message }, "a sign-in there was refused");
  }
  if (!claims) return { ok: false, why: "refused" };
  const person = await personOfProvider(db, provider, subjectIn(claims));
  return person ? { ok: true, person: person.id, kind: person.kind } : { ok: false, why: "who" };
}
