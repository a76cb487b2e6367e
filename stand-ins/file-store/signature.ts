import { createHash, createHmac, timingSafeEqual } from "node:crypto";
import type { IncomingMessage } from "node:http";

const sha256 = (text: string | Uint8Array) => createHash("sha256").update(text).digest("hex");
const hmac = (key: string | Uint8Array, text: string) => createHmac("sha256", key).update(text).digest();
/** RFC 3986, and nothing else is left as it is. */
const encoded = (text: string) =>
  encodeURIComponent(text).replaceAll(/[!'()*]/g, (letter) => `%${letter.codePointAt(0)!.toString(16).toUpperCase()}`);

type Asked = Pick<IncomingMessage, "method" | "url" | "headers">;

/** The signature (AWS Signature Version 4, as its documentation writes it out) of a request by this secret. */
export function signatureOf(
  { method = "", url = "", headers }: Asked,
  { secret, scope, signed }: { secret: string; scope: string; signed: string },
): string {
  const { pathname, searchParams } = new URL(url, "http://store");
  const query = [...searchParams].map(([name, value]) => `${encoded(name)}=${encoded(value)}`).sort();
  const lines = signed.split(";").map((name) => `${name}:${String(headers[name]).trim().replaceAll(/ +/g, " ")}\n`);
  const path = decodeURIComponent(pathname).split("/").map(encoded).join("/");
  const canonical = [method, path, query.join("&"), lines.join(""), signed, headers["x-amz-content-sha256"]].join("\n");
  const toSign = ["AWS4-HMAC-SHA256", headers["x-amz-date"], scope, sha256(canonical)].join("\n");
  const key = scope
    .split("/")
    .slice(0, -1)
    .reduce<string | Uint8Array>((before, part) => hmac(before, part), `AWS4${secret}`);
  return createHmac("sha256", hmac(key, "aws4_request")).update(toSign).digest("hex");
}

/** Whether a request with this body was signed by who has this key and secret. */
export function isSigned(asked: Asked, body: Uint8Array, { key, secret }: { key: string; secret: string }): boolean {
  const found = /Credential=([^/]+)\/([^,]+),\s*SignedHeaders=([^,]+),\s*Signature=([0-9a-f]{64})$/.exec(
    asked.headers.authorization ?? "",
  );
  if (!found || found[1] !== key || asked.headers["x-amz-content-sha256"] !== sha256(body)) return false;
  const right = signatureOf(asked, { secret, scope: found[2]!, signed: found[3]! });
  return timingSafeEqual(Buffer.from(right), Buffer.from(found[4]!));
}
