import { hashSecret, newToken, secretIsRight, tokenHash } from "./secrets";

describe("secrets", () => {
  test("a password is right or wrong, and is not what is stored", async () => {
    const stored = await hashSecret("kelp-and-tide");
    expect(stored).toMatch(/^\$argon2id\$/);
    expect(stored).not.toContain("kelp");
    expect(await secretIsRight(stored, "kelp-and-tide")).toBe(true);
    expect(await secretIsRight(stored, "kelp-and-tides")).toBe(false);
  });

  test("nobody's password is never right, whatever is tried", async () => {
    expect(await secretIsRight(undefined, "")).toBe(false);
    expect(await secretIsRight(null, "anything")).toBe(false);
  });

  test("two tokens are never the same, and what is kept of one does not give it away", () => {
    const [a, b] = [newToken(), newToken()];
    expect(a).not.toBe(b);
    expect(tokenHash(a)).not.toContain(a);
    expect(tokenHash(a)).toBe(tokenHash(a));
  });
});
