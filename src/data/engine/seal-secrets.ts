import { isSealed, openText, sealsSecrets, sealText } from "./sealed-text";
import type { Db } from "./db";

/** Where secrets are that must be used again. `json`: the secret is a JSON value. */
const places = [
  { table: "person", key: "id", column: "totp_secret" },
  { table: "school_directory", key: "school_id", column: "client_secret" },
  { table: "sign_in_provider", key: "id", column: "client_secret" },
  { table: "lti_key", key: "id", column: "private_jwk", json: true },
] as const;

/**
 * Seals what was stored before there was a SECRET_KEY, and makes sure that what is sealed can be opened. Once at every start.
 * @returns how many were sealed
 * @throws CannotOpenSecret when they were sealed with another key
 */
export async function sealStoredSecrets(db: Db): Promise<number> {
  let sealed = 0;
  for (const { table, key, column, ...more } of places) {
    const isJson = "json" in more;
    const text = isJson
      ? `case jsonb_typeof(${column}) when 'string' then ${column} #>> '{}' else ${column}::text end`
      : column;
    const rows = await db.query<{ key: number; text: string }>(
      `select ${key} as key, ${text} as text from ${table} where ${column} is not null`,
    );
    for (const row of rows)
      if (isSealed(row.text)) openText(row.text);
      else if (sealsSecrets() && row.text !== "") {
        const value = isJson ? "to_jsonb($2::text)" : "$2";
        // Changed meanwhile, it was sealed as it was changed.
        await db.query(`update ${table} set ${column} = ${value} where ${key} = $1 and ${text} = $3`, [
          ...[row.key, sealText(row.text), row.text],
        ]);
        sealed += 1;
      }
  }
  return sealed;
}
