import { z } from "zod";
import { collections, type Collection } from "@/formats/one-roster-rest";
import type { Directory } from "@/data/office/directory";
import { ask, askJson, NoAnswer } from "../web/ask-elsewhere";
import { readFile } from "../web/read-file";
import { asSchoolRoster, type SchoolRoster } from "./school-roster";

/** What may be read with it (OneRoster 1.2 Rostering, OAuth 2.0 scopes; from memory of the published binding). */
const SCOPE = "https://purl.imsglobal.org/spec/or/v1p2/scope/roster-core.readonly";
const PER_PAGE = 500;
const MOST_PAGES = 240;

const Token = z.object({ access_token: z.string().min(1) });

async function tokenFor({ tokenUrl, clientId, clientSecret }: Directory): Promise<string> {
  // RFC 6749, 2.3.1: each is encoded as in a form before the two are put together.
  const name = [clientId, clientSecret].map((part) => encodeURIComponent(part)).join(":");
  const came = Token.safeParse(
    await askJson(tokenUrl, {
      method: "POST",
      headers: { authorization: `Basic ${Buffer.from(name).toString("base64")}` },
      body: new URLSearchParams({ grant_type: "client_credentials", scope: SCOPE }),
    }),
  );
  if (!came.success) throw new NoAnswer("The directory did not let us in.");
  return came.data.access_token;
}

/** All the pages of one of its collections. */
async function everyOne(directory: Directory, token: string, collection: Collection): Promise<unknown[]> {
  const found: unknown[] = [];
  for (let page = 0; page < MOST_PAGES; page += 1) {
    const address = new URL(`${directory.address.replace(/\/$/, "")}/${collection}`);
    address.searchParams.set("limit", String(PER_PAGE));
    address.searchParams.set("offset", String(page * PER_PAGE));
    const { text } = await ask(address.href, {
      headers: { authorization: `Bearer ${token}`, accept: "application/json" },
    });
    const list = listIn(text, collection);
    found.push(...list);
    if (list.length < PER_PAGE) return found;
  }
  throw new NoAnswer(`The directory has more than ${MOST_PAGES * PER_PAGE} ${collection}. Nothing was read.`);
}

function listIn(text: string, collection: Collection): unknown[] {
  try {
    const read = z.object({ [collection]: z.array(z.unknown()) }).safeParse(JSON.parse(text));
    if (read.success) return read.data[collection]!;
  } catch {
    // Said below: it is no JSON at all.
  }
  throw new NoAnswer(`What the directory says of its ${collection} cannot be read.`);
}

/**
 * Fetches the whole roster of a school from its directory.
 * @param org of a directory with several schools, the one to read
 * @throws NoAnswer when the directory does not answer, or not as it should
 * @throws UnreadableFile when what it says is no roster
 */
export async function fetchRoster(directory: Directory, org: string | null): Promise<SchoolRoster> {
  const token = await tokenFor(directory);
  const answers = {} as Record<Collection, unknown[]>;
  for (const collection of collections) answers[collection] = await everyOne(directory, token, collection);
  const read = await readFile("a directory's answers", answers, org);
  return { ...asSchoolRoster(read, org), kind: "OneRoster 1.2, from the directory" };
}
