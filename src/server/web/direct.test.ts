import { z } from "zod";
import { direct } from "./direct";
import { guard, guardedBy, inputOf } from "./permissions";

const body = z.object({ answer: z.string() });
const seen: (string | null)[] = [];
const keep = direct(
  guard(
    async (request: Request) => {
      seen.push(request.headers.get("x-request-id"));
      return Response.json({ kept: 1 });
    },
    "do assignment",
    body,
  ),
);
const send = (headers: Record<string, string>, method = "POST") =>
  keep(
    new Request("http://satchel.example/student/7/responses", {
      method,
      headers: { host: "satchel.example", ...headers },
    }),
    {},
  );
const ours = { origin: "http://satchel.example" };
beforeEach(() => seen.splice(0));

test("an answer from our own page is kept; one from another page gets no further", async () => {
  expect((await send(ours)).status).toBe(200);
  expect((await send({ "sec-fetch-site": "same-origin" })).status).toBe(200);
  expect(seen).toHaveLength(2);
  for (const elsewhere of [{ origin: "https://elsewhere.example" }, { origin: "null" }, {}]) {
    const response = await send(elsewhere as Record<string, string>);
    expect([response.status, ((await response.json()) as { problem: string }).problem]).toEqual([
      403,
      "This did not come from a page of Golden Satchel, so nothing was changed.",
    ]);
  }
  expect(seen).toHaveLength(2);
  expect((await send({ origin: "https://elsewhere.example" }, "GET")).status).toBe(200);
});

test("every response has a number of its own, which nobody outside chooses, and lets nothing run", async () => {
  const first = await send({ ...ours, "x-request-id": "chosen" });
  const second = await send({ ...ours, "x-request-id": "chosen" });
  expect(seen).toEqual([first.headers.get("x-request-id"), second.headers.get("x-request-id")]);
  expect(new Set([...seen, "chosen"]).size).toBe(3);
  for (const response of [first, await send({})]) {
    expect(response.headers.get("content-security-policy")).toBe("default-src 'none'; frame-ancestors 'none'");
    expect(response.headers.get("x-content-type-options")).toBe("nosniff");
    expect(response.headers.get("x-frame-options")).toBe("DENY");
  }
});

test("it is guarded as the route it is made of", () => {
  expect([guardedBy(keep), inputOf(keep)]).toEqual(["do assignment", body]);
});
