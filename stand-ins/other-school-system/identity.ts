import { importJWK, SignJWT } from "jose";
import { createHash, randomUUID } from "node:crypto";
import { basicOf, html, json, refused, to, type Answer, type Asked } from "./answer";
import { accountPage } from "./pages";
import type { Person, Store } from "./state";

/** What lets Golden Satchel in: for trying things out only. */
export const identityClient = { id: "golden-satchel", secret: "sign-in-of-the-demo" };
const CODE_MS = 60_000;

/** What was said when a sign-in began. */
interface Begun {
  person: Person;
  redirect: string;
  nonce: string | null;
  challenge: string | null;
  until: number;
}

/**
 * The school's own sign-in, simulated (OpenID Connect, authorization code with PKCE): nobody has a password, one chooses who one is.
 * @param issuer its own address
 */
export function identity(store: Store, issuer: string): (asked: Asked) => Promise<Answer> {
  const codes = new Map<string, Begun>();
  const { pathname: here } = new URL(issuer);
  const configuration = {
    ...{ issuer, authorization_endpoint: `${issuer}/authorize`, token_endpoint: `${issuer}/token` },
    ...{ jwks_uri: `${issuer}/keys`, response_types_supported: ["code"], subject_types_supported: ["public"] },
    ...{ id_token_signing_alg_values_supported: ["RS256"], code_challenge_methods_supported: ["S256"] },
    ...{ scopes_supported: ["openid", "email", "profile"], authorization_response_iss_parameter_supported: true },
    token_endpoint_auth_methods_supported: ["client_secret_basic"],
  };

  async function token({ request, body }: Asked): Promise<Answer> {
    const said = basicOf(request.headers.authorization);
    if (said?.id !== identityClient.id || said.secret !== identityClient.secret)
      return { ...json({ error: "invalid_client" }), status: 401 };
    const form = new URLSearchParams(body.toString());
    const begun = codes.get(form.get("code") ?? "");
    codes.delete(form.get("code") ?? "");
    const challenge = createHash("sha256")
      .update(form.get("code_verifier") ?? "")
      .digest("base64url");
    const isRight =
      begun && begun.until > Date.now() && begun.redirect === form.get("redirect_uri") && begun.challenge === challenge;
    if (!isRight) return { ...json({ error: "invalid_grant" }), status: 400 };
    const { person, nonce } = begun;
    const signed = await new SignJWT({
      ...{ email: person.email || undefined, email_verified: person.email !== "", nonce: nonce ?? undefined },
      ...{ given_name: person.given, family_name: person.family, person_sourcedid: person.sourcedId },
    })
      .setProtectedHeader({ alg: "RS256", kid: String(store.state.key.kid) })
      .setIssuer(issuer)
      .setSubject(person.id)
      .setAudience(identityClient.id)
      .setIssuedAt()
      .setExpirationTime("5m")
      .sign(await importJWK(store.state.key, "RS256"));
    return json({ access_token: randomUUID(), token_type: "Bearer", expires_in: 300, id_token: signed });
  }

  return async function answer(asked: Asked): Promise<Answer> {
    const { method, url, body } = asked;
    const said = url.searchParams;
    switch (`${method} ${url.pathname.slice(here.length)}`) {
      case "GET /.well-known/openid-configuration":
        return json(configuration);
      case "GET /keys": {
        const { kty, n, e, kid, alg, use } = store.state.key;
        return json({ keys: [{ kty, n, e, kid, alg, use }] });
      }
      case "GET /authorize":
        if (said.get("client_id") !== identityClient.id || said.get("response_type") !== "code") return refused(400);
        return html(accountPage(store.state, `${here}/authorize${url.search}`));
      case "POST /authorize": {
        const person = store.person(new URLSearchParams(body.toString()).get("person") ?? "");
        const redirect = said.get("redirect_uri") ?? "";
        if (!person || !URL.canParse(redirect)) return refused(400);
        const code = randomUUID();
        codes.set(code, {
          ...{ person, redirect, nonce: said.get("nonce"), challenge: said.get("code_challenge") },
          until: Date.now() + CODE_MS,
        });
        const back = new URL(redirect);
        for (const [name, value] of Object.entries({ code, state: said.get("state") ?? "", iss: issuer }))
          back.searchParams.set(name, value);
        return to(back.href);
      }
      case "POST /token":
        return token(asked);
      default:
        return refused(404);
    }
  };
}
