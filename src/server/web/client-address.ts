import http from "node:http";
import { headers } from "next/headers";

/** Where the address of the connection itself is put for the rest of the application; whatever came under this name is lost. */
const HEADER = "x-satchel-connection";

/**
 * Notes on every request from which address its connection comes. Anybody can write an x-forwarded-for; the connection
 * cannot be made up. Called once, before the first request.
 */
export function noteConnections(): void {
  const emit = http.Server.prototype.emit;
  http.Server.prototype.emit = function (this: http.Server, event: string, ...about: unknown[]) {
    if (event === "request") {
      const request = about[0] as http.IncomingMessage;
      request.headers[HEADER] = request.socket.remoteAddress ?? "unknown";
    }
    return (emit as (...all: unknown[]) => boolean).call(this, event, ...about);
  } as typeof emit;
}

/**
 * The address a request comes from: that of its connection, or, behind `hops` proxies of the school's own, what the
 * outermost of them wrote down. What stands further left in x-forwarded-for was written by the one who asked.
 */
export function addressOf(connection: string | null, forwarded: string | null, hops: number): string {
  const written = (forwarded ?? "")
    .split(",")
    .map((part) => part.trim())
    .filter(Boolean);
  return (hops > 0 ? written.at(-hops) : undefined) ?? connection ?? "unknown";
}

/** PROXY_HOPS: how many proxies of the school's own stand before this server; none when it is not said. */
export async function callerAddress(): Promise<string> {
  const [asked, hops] = [await headers(), Number(process.env.PROXY_HOPS ?? 0)];
  return addressOf(asked.get(HEADER), asked.get("x-forwarded-for"), Number.isInteger(hops) && hops > 0 ? hops : 0);
}
