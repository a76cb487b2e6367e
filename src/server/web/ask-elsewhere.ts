import { log } from "./log";

/** The other system did not answer, or not as it should. Said to a person. */
export class NoAnswer extends Error {
  constructor(
    message: string,
    /** HTTP's status; 0: nothing came at all. */
    readonly status = 0,
  ) {
    super(message);
    this.name = "NoAnswer";
  }
}

const LIMIT_MS = 15_000;
const MOST_BYTES = 5_000_000;

/** Whether an address may be asked: https, or in the demo this machine itself, where the simulated course site runs. */
export function mayAsk(address: string): boolean {
  if (!URL.canParse(address)) return false;
  const { protocol, hostname, username, password } = new URL(address);
  if (username !== "" || password !== "") return false;
  const isHere = process.env.DEMO === "1" && protocol === "http:" && ["localhost", "127.0.0.1"].includes(hostname);
  return protocol === "https:" || isHere;
}

async function whole(response: Response): Promise<string> {
  const parts: Uint8Array[] = [];
  let size = 0;
  for await (const part of (response.body ?? []) as AsyncIterable<Uint8Array>) {
    size += part.length;
    if (size > MOST_BYTES) throw new NoAnswer("The other system sent far more than it should.");
    parts.push(part);
  }
  return Buffer.concat(parts).toString("utf8");
}

/** A connection that was kept open and has just been closed there: nothing was read of what was sent on it. */
const wasClosed = (error: unknown): boolean => {
  const { code } = ((error as Error).cause ?? {}) as { code?: string };
  return code === "UND_ERR_SOCKET" || code === "ECONNRESET";
};

export interface Answer {
  text: string;
  headers: Headers;
}

/**
 * Asks another system, at an address that was agreed with it. It is never sent on to another address, waits no longer than fifteen seconds, and
 * reads no more than 5 MB.
 * @throws NoAnswer in words for the person who waits
 */
export async function ask(address: string, init: RequestInit = {}): Promise<Answer> {
  if (!mayAsk(address)) throw new NoAnswer("The address of the other system must begin with https://.");
  try {
    const once = () => fetch(address, { ...init, redirect: "error", signal: AbortSignal.timeout(LIMIT_MS) });
    const response = await once().catch((error: unknown) => {
      if (wasClosed(error)) return once();
      throw error;
    });
    const text = await whole(response);
    if (!response.ok) {
      log.error({ host: new URL(address).host, status: response.status }, "the other system refused");
      throw new NoAnswer(`The other system refused (${response.status}).`, response.status);
    }
    return { text, headers: response.headers };
  } catch (error) {
    if (error instanceof NoAnswer) throw error;
    const { message, cause } = error as Error & { cause?: { code?: string } };
    log.error({ host: new URL(address).host, error: message, code: cause?.code }, "the other system did not answer");
    throw new NoAnswer("The other system does not answer just now.");
  }
}

/** @throws NoAnswer when it is no JSON either */
export async function askJson(address: string, init: RequestInit = {}): Promise<unknown> {
  const { text } = await ask(address, init);
  try {
    return JSON.parse(text);
  } catch {
    throw new NoAnswer("The other system answered with something that cannot be read.");
  }
}
