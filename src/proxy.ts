import { NextResponse, type NextRequest } from "next/server";

/**
 * Before every request: writes only from our own pages, and headers that leave a smuggled script nothing to run with.
 * Styles may stand inline (positions of lists and menus are computed); scripts may not, except by this request's nonce.
 */
function policy(nonce: string, forms: string): string {
  const development = process.env.NODE_ENV === "development" ? " 'unsafe-eval'" : "";
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${development}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "media-src 'self' blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "frame-ancestors 'none'",
    `form-action ${forms}`,
    "base-uri 'none'",
    "object-src 'none'",
  ].join("; ");
}

const safe = new Set(["GET", "HEAD", "OPTIONS"]);

/** A course site sends people here by a form of its own. What it says is signed, and good once: server/lti/come-in.ts. */
const fromCourseSites = new Set(["/lti/login", "/lti/launch"]);
/** The one page whose form goes to a course site: it is made by the server and holds nothing else. */
const TO_COURSE_SITES = "/lti/return";

function fromHere(request: NextRequest): boolean {
  const origin = request.headers.get("origin");
  if (!origin) return request.headers.get("sec-fetch-site") === "same-origin";
  const host = request.headers.get("x-forwarded-host") ?? request.headers.get("host");
  return URL.canParse(origin) && new URL(origin).host === host;
}

export function proxy(request: NextRequest): NextResponse {
  const { pathname } = request.nextUrl;
  if (!safe.has(request.method) && !fromHere(request) && !fromCourseSites.has(pathname)) {
    return NextResponse.json(
      { problem: "This did not come from a page of Golden Satchel, so nothing was changed." },
      { status: 403 },
    );
  }
  const nonce = btoa(crypto.randomUUID());
  const headers = new Headers(request.headers);
  headers.set("x-nonce", nonce);
  // Nobody outside chooses what the log says.
  const id = crypto.randomUUID();
  headers.set("x-request-id", id);
  const said = policy(nonce, pathname === TO_COURSE_SITES ? "'self' https: http://localhost:*" : "'self'");
  headers.set("content-security-policy", said);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set("content-security-policy", said);
  response.headers.set("x-request-id", id);
  response.headers.set("x-content-type-options", "nosniff");
  // What frame-ancestors says, for browsers that do not know it.
  response.headers.set("x-frame-options", "DENY");
  if (process.env.PUBLIC_ADDRESS?.startsWith("https:"))
    response.headers.set("strict-transport-security", "max-age=31536000");
  response.headers.set("referrer-policy", "same-origin");
  response.headers.set("cross-origin-opener-policy", "same-origin");
  response.headers.set("permissions-policy", "camera=(self), microphone=(self), geolocation=(), payment=()");
  return response;
}

export const config = { matcher: ["/((?!_next/static|_next/image|favicon).*)"] };
