import { NextRequest } from "next/server";
import { proxy } from "./proxy";

const request = (method: string, headers: Record<string, string> = {}) =>
  new NextRequest("http://satchel.example/find", { method, headers: { host: "satchel.example", ...headers } });

describe("writes come from our own pages only", () => {
  test.each([
    ["our own page", { origin: "http://satchel.example" }, true],
    ["our own page behind a proxy", { origin: "https://school.example", "x-forwarded-host": "school.example" }, true],
    ["a browser that names no origin but says it is the same", { "sec-fetch-site": "same-origin" }, true],
    ["another site", { origin: "https://elsewhere.example" }, false],
    ["a site whose name begins like ours", { origin: "http://satchel.example.elsewhere.example" }, false],
    ["a sandboxed frame", { origin: "null" }, false],
    ["another site that names no origin", { "sec-fetch-site": "cross-site" }, false],
    ["a program that says nothing", {}, false],
  ])("%s", (_who, headers, allowed) => {
    for (const method of ["POST", "PUT", "PATCH", "DELETE"]) {
      expect([method, proxy(request(method, headers)).status]).toEqual([method, allowed ? 200 : 403]);
    }
  });

  test("a course site may send people in, and only there", () => {
    const headers = { host: "satchel.example", origin: "https://courses.example" };
    const at = (path: string) =>
      proxy(new NextRequest(`http://satchel.example${path}`, { method: "POST", headers })).status;
    expect(["/lti/login", "/lti/launch"].map(at)).toEqual([200, 200]);
    expect(["/lti/return", "/lti/launch/x", "/lti", "/find"].map(at)).toEqual([403, 403, 403, 403]);
  });

  test("only the page that goes back to a course site has a form that leaves", () => {
    const forms = (path: string) =>
      /form-action ([^;]+)/.exec(
        proxy(new NextRequest(`http://satchel.example${path}`)).headers.get("content-security-policy")!,
      )![1];
    expect(forms("/lti/return")).toContain("https:");
    expect([forms("/find"), forms("/lti/choose")]).toEqual(["'self'", "'self'"]);
  });

  test("reading is open to links from anywhere", () => {
    expect(proxy(request("GET", { origin: "https://elsewhere.example" })).status).toBe(200);
  });
});

describe("what a page may run", () => {
  const policyOf = () => proxy(request("GET")).headers.get("content-security-policy")!;

  test("scripts by this request's nonce, and no other request's", () => {
    const nonce = (policy: string) => /'nonce-([^']+)'/.exec(policy)![1];
    expect(nonce(policyOf())).not.toBe(nonce(policyOf()));
    expect(policyOf()).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic'/);
    expect(/script-src [^;]*/.exec(policyOf())![0]).not.toContain("unsafe-inline");
  });

  test("nothing from elsewhere, no frame around us, no form sent away", () => {
    for (const rule of [
      "default-src 'self'",
      "frame-ancestors 'none'",
      "form-action 'self'",
      "base-uri 'none'",
      "object-src 'none'",
    ])
      expect(policyOf()).toContain(rule);
  });

  test("over TLS only, where people reach it by TLS; and in no frame of an old browser either", () => {
    const header = (name: string) => proxy(request("GET")).headers.get(name);
    expect(header("x-frame-options")).toBe("DENY");
    expect(header("strict-transport-security")).toBeNull();
    process.env.PUBLIC_ADDRESS = "https://satchel.school.example";
    expect(header("strict-transport-security")).toBe("max-age=31536000");
    delete process.env.PUBLIC_ADDRESS;
  });
});
