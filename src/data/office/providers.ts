import { one, type Queryable } from "../engine/db";
import { openText, sealText } from "../engine/sealed-text";

/** The school's own sign-in (OpenID Connect). */
export interface Provider {
  id: number;
  school: number;
  /** As the button says it: "Skerry school account". */
  name: string;
  issuer: string;
  clientId: string;
  clientSecret: string;
}

const columns = `p.id, p.school_id school, p.name, p.issuer, p.client_id "clientId", p.client_secret "clientSecret"`;

/** Every school's, for the sign-in page: names only. */
export const providerNames = (db: Queryable): Promise<{ id: number; name: string }[]> =>
  db.query("select id, name from sign_in_provider order by name, id");

const opened = (provider: Provider): Provider => ({ ...provider, clientSecret: openText(provider.clientSecret) });

export async function providersAt(db: Queryable, school: number): Promise<Provider[]> {
  const query = `select ${columns} from sign_in_provider p where p.school_id = $1 order by p.id`;
  return (await db.query<Provider>(query, [school])).map(opened);
}

export async function providerById(db: Queryable, id: number): Promise<Provider | undefined> {
  return (await db.query<Provider>(`select ${columns} from sign_in_provider p where p.id = $1`, [id])).map(opened)[0];
}

export async function addProvider(db: Queryable, provider: Omit<Provider, "id"> & { at: Date }): Promise<number> {
  const { id } = await one<{ id: number }>(
    db,
    `insert into sign_in_provider (school_id, name, issuer, client_id, client_secret, added) values ($1, $2, $3, $4, $5, $6)
     on conflict (school_id, issuer) do update set name = excluded.name, client_id = excluded.client_id,
       client_secret = excluded.client_secret returning id`,
    [provider.school, provider.name, provider.issuer, provider.clientId, sealText(provider.clientSecret), provider.at],
  );
  return id;
}

export async function removeProvider(db: Queryable, school: number, id: number): Promise<void> {
  await db.query("delete from sign_in_provider where id = $1 and school_id = $2", [id, school]);
}

export interface ProviderLogin {
  provider: number;
  /** RFC 7636. */
  verifier: string;
  nonce: string;
}

export async function beginProviderLogin(
  db: Queryable,
  login: ProviderLogin & { stateHash: string; now: Date; expires: Date },
): Promise<void> {
  await db.query("delete from provider_login where expires < $1", [login.now]);
  await db.query(
    "insert into provider_login (state_hash, provider_id, verifier, nonce, expires) values ($1, $2, $3, $4, $5)",
    [login.stateHash, login.provider, login.verifier, login.nonce, login.expires],
  );
}

/** Ends it, whatever comes of it: a second answer with the same state finds nothing. */
export async function endProviderLogin(
  db: Queryable,
  stateHash: string,
  now: Date,
): Promise<ProviderLogin | undefined> {
  const rows = await db.query<ProviderLogin & { expires: Date }>(
    "delete from provider_login where state_hash = $1 returning provider_id provider, verifier, nonce, expires",
    [stateHash],
  );
  return rows[0] && rows[0].expires > now ? rows[0] : undefined;
}

/** What the school's sign-in says of somebody. */
export interface Subject {
  subject: string;
  /** Only an address it has checked. */
  email: string | null;
  /** What the roster calls her, where it says so. */
  rosterId: string | null;
}

/**
 * Who somebody is who signed in there: the one she was the last time, otherwise an adult of that school by her e-mail address, or a student by
 * what the roster calls her, or where there is none by her name for signing in. Undefined: nobody here, or not for certain.
 */
export async function personOfProvider(
  db: Queryable,
  provider: Provider,
  who: Subject,
): Promise<{ id: number; kind: "adult" | "student" } | undefined> {
  const known = await db.query<{ id: number; kind: "adult" | "student"; active: boolean }>(
    `select p.id, p.kind, p.active and p.school_id = $3 active from provider_person o join person p on p.id = o.person_id
      where o.provider_id = $1 and o.subject = $2`,
    [provider.id, who.subject, provider.school],
  );
  if (known[0]) return known[0].active ? known[0] : undefined;
  const found = await db.query<{ id: number; kind: "adult" | "student" }>(
    `select id, kind from person
      where school_id = $1 and active and guest_of is null
        and (kind = 'adult' and lower(email) = lower($2) or kind = 'student' and coalesce(roster_id, sign_in_name) = $3)`,
    [provider.school, who.email, who.rosterId],
  );
  if (found.length !== 1) return undefined;
  await db.query(
    "insert into provider_person (provider_id, subject, person_id) values ($1, $2, $3) on conflict do nothing",
    [provider.id, who.subject, found[0]!.id],
  );
  return found[0];
}
