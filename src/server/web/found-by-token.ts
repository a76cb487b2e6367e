import { callerAddress } from "./client-address";
import { allowLook, countWrongLook } from "./limits";
import { tokenHash } from "./secrets";

/**
 * What the secret part of an address leads to, looked for by its hash; null: nothing. Guessing is slow: an address that has failed too
 * often is answered one try a second, and then not at all.
 */
export async function foundByToken<Found>(
  token: string,
  find: (hash: string) => Promise<Found | undefined>,
): Promise<Found | null> {
  const address = await callerAddress();
  if (!(await allowLook(address)).allowed) return null;
  const found = /^[\w-]{22}$/.test(token) ? await find(tokenHash(token)) : undefined;
  if (found) return found;
  await countWrongLook(address);
  return null;
}
