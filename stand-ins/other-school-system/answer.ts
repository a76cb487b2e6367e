import type { IncomingMessage } from "node:http";
import type { Person } from "./state";

/** What somebody asks of it. */
export interface Asked {
  method: string;
  url: URL;
  request: IncomingMessage;
  body: Buffer;
  person: Person | undefined;
}

/** What it answers. */
export interface Answer {
  status?: number;
  headers?: Record<string, string | string[]>;
  body: string | Buffer;
}

export const html = (body: string): Answer => ({ headers: { "content-type": "text/html; charset=utf-8" }, body });
export const json = (value: unknown, more: Record<string, string> = {}): Answer => ({
  headers: { "content-type": "application/json", ...more },
  body: JSON.stringify(value),
});
export const to = (location: string, more: Record<string, string> = {}): Answer => ({
  status: 303,
  headers: { location, ...more },
  body: "",
});
export const refused = (status: number): Answer => ({
  status,
  body: "Not here.",
  headers: { "content-type": "text/plain" },
});

/** Who a program says it is (RFC 6749, 2.3.1). */
export function basicOf(authorization: string | undefined): { id: string; secret: string } | null {
  const said = /^Basic (.+)$/.exec(authorization ?? "")?.[1];
  if (!said) return null;
  const [id = "", secret = ""] = Buffer.from(said, "base64").toString().split(":").map(decodeURIComponent);
  return { id, secret };
}
