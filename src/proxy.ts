import { NextResponse, type NextRequest } from "next/server";
import { fromHere, NOT_FROM_HERE, protect, SAFE_METHODS } from "@/server/web/from-here";

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

/** A course site sends people here by a form of its own. What it says is signed, and good once: server/lti/come-in.ts. */
const fromCourseSites = new Set(["/lti/login", "/lti/launch"]);
/** The one page whose form goes to a course site: it is made by the server and holds nothing else. */
const TO_COURSE_SITES = "/lti/return";

export function proxy(request: NextRequest): NextResponse {
  const { pathname } = request.nextUrl;
  if (!SAFE_METHODS.has(request.method) && !fromHere(request.headers) && !fromCourseSites.has(pathname)) {
    return NextResponse.json(NOT_FROM_HERE, { status: 403 });
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
  protect(response.headers);
  return response;
}

/** Answers are the one thing that comes many times a second: server/web/direct.ts does for them what is done here. */
export const config = { matcher: ["/((?!_next/static|_next/image|favicon|student/[0-9]+/responses$).*)"] };
