import { createRemoteJWKSet, customFetch, errors, jwtVerify } from "jose";
import type { Db } from "@/data/engine/db";
import { beginLogin, endLogin } from "@/data/lti/logins";
import { systemById, systemsByIssuer, type OtherSystem } from "@/data/lti/systems";
import { claims } from "@/core/lti/claims";
import { readLaunch, type Launch, type LaunchRule } from "@/core/lti/launch";
import { log } from "../web/log";
import { newToken, tokenHash } from "../web/secrets";
import { mayAsk } from "../web/ask-elsewhere";
import { ALGORITHM } from "./keys";

const LOGIN_MINUTES = 5;

/** What the course site says when somebody wants to come in (OpenID Connect, third-party initiated login). */
export interface LoginAsked {
  iss: string;
  login_hint: string;
  target_link_uri: string;
  lti_message_hint?: string | undefined;
  client_id?: string | undefined;
  lti_deployment_id?: string | undefined;
}

/**
 * Begins a way in: the address at the course site that asks who is there, and the state a cookie keeps in this browser. Null: we know no
 * such course site.
 */
export async function beginComingIn(
  db: Db,
  asked: LoginAsked,
  of: { base: string; now: Date },
): Promise<{ to: string; state: string } | null> {
  const systems = await systemsByIssuer(db, asked.iss, asked.client_id ?? null);
  const system =
    systems.find(({ deployment }) => deployment === asked.lti_deployment_id) ??
    (new Set(systems.map(({ clientId }) => clientId)).size === 1 ? systems[0] : undefined);
  if (!system || !mayAsk(system.authorizeUrl)) return null;
  const [state, nonce] = [newToken(), newToken()];
  await beginLogin(db, {
    ...{ stateHash: tokenHash(state), nonce, system: system.id, now: of.now },
    expires: new Date(of.now.getTime() + LOGIN_MINUTES * 60_000),
  });
  const to = new URL(system.authorizeUrl);
  for (const [name, value] of Object.entries({
    ...{ scope: "openid", response_type: "id_token", response_mode: "form_post", prompt: "none" },
    ...{ client_id: system.clientId, redirect_uri: `${of.base}/lti/launch`, state, nonce },
    ...{ login_hint: asked.login_hint, lti_message_hint: asked.lti_message_hint },
  }))
    if (value !== undefined) to.searchParams.set(name, value);
  return { to: to.href, state };
}

export type ComeIn =
  | { ok: true; launch: Launch; system: OtherSystem }
  | { ok: false; rule: LaunchRule | "state" | "signature" | "unknown system" };

const keySets = new Map<string, ReturnType<typeof createRemoteJWKSet>>();
function keysOf({ keysUrl }: OtherSystem) {
  const known = keySets.get(keysUrl);
  if (known) return known;
  const made = createRemoteJWKSet(new URL(keysUrl), {
    timeoutDuration: 5000,
    [customFetch]: (address: string, init: RequestInit) => fetch(address, { ...init, redirect: "error" }),
  });
  keySets.set(keysUrl, made);
  return made;
}

/**
 * Somebody comes in with a message that the course site has signed. Everything is asked: that this browser began it, that it is the first
 * time, that the signature is the course site's, and all the rules of core/lti/launch.ts. Why it was refused goes to the log, not to the one who
 * tries.
 */
export async function comeIn(
  db: Db,
  said: { idToken: string; state: string; cookie: string | null },
  of: { origin: string; now: Date },
): Promise<ComeIn> {
  const refuse = (rule: Extract<ComeIn, { ok: false }>["rule"]): ComeIn => {
    log.error({ rule }, "a launch was refused");
    return { ok: false, rule };
  };
  if (said.cookie === null || said.cookie !== said.state) return refuse("state");
  const login = await endLogin(db, tokenHash(said.state), of.now);
  if (!login) return refuse("state");
  const began = await systemById(db, login.system);
  if (!began || !mayAsk(began.keysUrl)) return refuse("unknown system");
  try {
    const { payload } = await jwtVerify(said.idToken, keysOf(began), {
      ...{ algorithms: [ALGORITHM], issuer: began.issuer, currentDate: of.now },
      // The rules below say which of these is broken.
      clockTolerance: 365 * 86_400,
    });
    // One course site may be at several schools: the deployment says which.
    const deployment = payload[claims.deployment];
    const systems = await systemsByIssuer(db, began.issuer, began.clientId);
    const system = systems.find((one) => one.deployment === deployment) ?? began;
    const read = readLaunch(payload, {
      ...{ clientId: system.clientId, deployment: system.deployment, nonce: login.nonce },
      ...{ origin: of.origin, now: of.now },
    });
    return read.ok ? { ok: true, launch: read.launch, system } : refuse(read.rule);
  } catch (error) {
    if (error instanceof errors.JOSEError || error instanceof TypeError) return refuse("signature");
    throw error;
  }
}
