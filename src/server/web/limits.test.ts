import { allowJoin, allowLook, allowSignIn, countWrongLook, forgetAttempts, forgetJoin, SLOW_MS } from "./limits";

/** Pauses that are noted and not waited for. */
function clock() {
  const waited: number[] = [];
  return { waited, pause: async (ms: number) => void waited.push(ms) };
}
const sum = (all: readonly number[]) => all.reduce((whole, one) => whole + one, 0);
const times = async (count: number, work: (at: number) => Promise<unknown>) => {
  for (let at = 0; at < count; at += 1) await work(at);
};

describe("guessing is slow", () => {
  test("eight wrong tries at one name from one address, then a wait that is said in minutes", async () => {
    await times(8, async () => expect((await allowSignIn("ines@skerry.example", "a")).allowed).toBe(true));
    expect(await allowSignIn(" INES@skerry.example ", "a")).toMatchObject({
      allowed: false,
      minutes: expect.any(Number) as number,
    });
    expect((await allowSignIn("teodor@skerry.example", "a")).allowed).toBe(true);
  });

  test("nobody else's wrong tries lock a teacher out: from her own address it opens as ever", async () => {
    await times(20, () => allowSignIn("rona@skerry.example", "somebody else's"));
    expect(await allowSignIn("rona@skerry.example", "her own")).toEqual({ allowed: true });
  });

  test("after she got in, her slips are forgotten", async () => {
    await times(8, () => allowSignIn("mercy@skerry.example", "b"));
    await forgetAttempts("mercy@skerry.example", "b");
    expect((await allowSignIn("mercy@skerry.example", "b")).allowed).toBe(true);
  });

  test("a link opens for any number of readers behind one address; after many wrong ones each try takes a second", async () => {
    const { waited, pause } = clock();
    await times(500, async () => expect(await allowLook("school", pause)).toEqual({ allowed: true }));
    expect(waited).toEqual([]);
    await times(61, () => countWrongLook("guesser"));
    expect(await allowLook("guesser", pause)).toEqual({ allowed: true });
    expect(sum(waited)).toBe(SLOW_MS);
    expect(await allowLook("school", pause)).toEqual({ allowed: true });
    const all = await Promise.all(Array.from({ length: 700 }, () => allowLook("guesser", pause)));
    expect(all.filter(({ allowed }) => !allowed).length).toBeGreaterThan(100);
  });

  test("a thousand tries at once are counted too", async () => {
    const { pause } = clock();
    const all = await Promise.all(Array.from({ length: 1000 }, () => allowSignIn("all@skerry.example", "e", pause)));
    expect(all.filter(({ allowed }) => allowed)).toHaveLength(8);
  });

  test("one name tried from a hundred addresses is answered a second apart", async () => {
    const { pause, waited } = clock();
    await times(60, (at) => allowSignIn("hunted@skerry.example", `address ${at}`, pause));
    expect(sum(waited)).toBe(20 * SLOW_MS);
  });
});

describe("a whole school is behind one address", () => {
  test("five hundred children who sign in rightly never wait", async () => {
    const { pause, waited } = clock();
    await times(500, async (at) => {
      expect((await allowSignIn(`child ${at}`, "school", pause)).allowed).toBe(true);
      await forgetAttempts(`child ${at}`, "school");
    });
    await times(300, async () => {
      expect((await allowJoin("school", pause)).allowed).toBe(true);
      await forgetJoin("school");
    });
    expect(waited).toEqual([]);
  });

  test("where codes are tried out, each try waits a second; nobody is shut out for it", async () => {
    const { pause, waited } = clock();
    await times(100, async () => expect((await allowJoin("a script", pause)).allowed).toBe(true));
    expect(sum(waited)).toBe(40 * SLOW_MS);
    expect((await allowJoin("another address", pause)).allowed).toBe(true);
  });

  test("five hundred children who sign in at the same moment all come in, as fast as their passwords can be looked at", async () => {
    let [looking, most, clockMs] = [0, 0, 0];
    const pause = async (ms: number) => {
      clockMs += ms;
      await new Promise((done) => setTimeout(done, 1));
    };
    const came = await Promise.all(
      Array.from({ length: 500 }, async (_, at) => {
        const { allowed } = await allowSignIn(`early child ${at}`, "a school at ten to nine", pause);
        if (!allowed) return false;
        most = Math.max(most, (looking += 1));
        await new Promise((done) => setTimeout(done, 5));
        looking -= 1;
        await forgetAttempts(`early child ${at}`, "a school at ten to nine");
        return true;
      }),
    );
    expect(came.every(Boolean)).toBe(true);
    expect(most).toBeLessThanOrEqual(60);
    expect(clockMs).toBeLessThan(60 * SLOW_MS);
  });

  test("more at once than a school are refused, so that they cannot pile up", async () => {
    await times(60, () => allowJoin("flood"));
    const never = () => new Promise<void>(() => undefined);
    const asked = Array.from({ length: 520 }, () => allowJoin("flood", never));
    const refused = await Promise.race([Promise.all(asked.slice(500)), new Promise((done) => setTimeout(done, 500))]);
    expect((refused as { allowed: boolean }[]).every(({ allowed }) => !allowed)).toBe(true);
  });
});
