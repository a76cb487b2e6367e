import { allowSignIn, forgetAttempts } from "./limits";

describe("guessing is slow", () => {
  test("eight tries at one name, then a wait that is said in minutes", async () => {
    for (let tried = 0; tried < 8; tried += 1)
      expect((await allowSignIn("ines@skerry.example", "a")).allowed).toBe(true);
    expect(await allowSignIn(" INES@skerry.example ", "a")).toMatchObject({
      allowed: false,
      minutes: expect.any(Number) as number,
    });
    expect((await allowSignIn("teodor@skerry.example", "a")).allowed).toBe(true);
  });

  test("after she got in, her slips are forgotten", async () => {
    for (let tried = 0; tried < 8; tried += 1) await allowSignIn("mercy@skerry.example", "b");
    await forgetAttempts("mercy@skerry.example");
    expect((await allowSignIn("mercy@skerry.example", "b")).allowed).toBe(true);
  });

  test("one address cannot try name after name for ever", async () => {
    for (let tried = 0; tried < 60; tried += 1) await allowSignIn(`name${tried}`, "c");
    expect((await allowSignIn("one more", "c")).allowed).toBe(false);
    expect((await allowSignIn("one more", "d")).allowed).toBe(true);
  });
});
