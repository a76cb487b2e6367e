/** Methods that change nothing: links from anywhere may lead to them. */
export const SAFE_METHODS: ReadonlySet<string> = new Set(["GET", "HEAD", "OPTIONS"]);

/** What is said, with 403, to a write that came from anywhere else. */
export const NOT_FROM_HERE = { problem: "This did not come from a page of Golden Satchel, so nothing was changed." };

/** Whether a page of our own sent a request: by its origin, or, where a browser names none, by its word that it is the same site. */
export function fromHere(headers: Headers): boolean {
  const origin = headers.get("origin");
  if (!origin) return headers.get("sec-fetch-site") === "same-origin";
  const host = headers.get("x-forwarded-host") ?? headers.get("host");
  return URL.canParse(origin) && new URL(origin).host === host;
}

/** Headers that every response carries, whatever is in it. */
export function protect(headers: Headers): void {
  headers.set("x-content-type-options", "nosniff");
  // What frame-ancestors says, for browsers that do not know it.
  headers.set("x-frame-options", "DENY");
  if (process.env.PUBLIC_ADDRESS?.startsWith("https:")) headers.set("strict-transport-security", "max-age=31536000");
  headers.set("referrer-policy", "same-origin");
  headers.set("cross-origin-opener-policy", "same-origin");
  headers.set("permissions-policy", "camera=(self), microphone=(self), geolocation=(), payment=()");
}
