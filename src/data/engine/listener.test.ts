import { Listener, type ConnectForNotices } from "./listener";
import { oneAtATime } from "./one-at-a-time";

/** Connections that can be cut, and that note what was sent over them. */
function wire() {
  const made: { channels: string[]; notice: (channel: string, payload: string) => void; lost: () => void }[] = [];
  let refusals = 0;
  let busy = false;
  const connect: ConnectForNotices = async (on) => {
    if (refusals > 0) {
      refusals -= 1;
      throw new Error("nobody there");
    }
    const one = { channels: [] as string[], ...on };
    made.push(one);
    return {
      listen: async (channel) => {
        expect(busy).toBe(false);
        busy = true;
        await new Promise((done) => setTimeout(done, 2));
        busy = false;
        one.channels.push(channel);
      },
      close: async () => undefined,
    };
  };
  const pauses: number[] = [];
  const pause = async (ms: number) => void pauses.push(ms);
  return { made, pauses, listener: new Listener(connect, pause), refuse: (times: number) => (refusals = times) };
}

const settled = () => new Promise((done) => setTimeout(done, 30));

describe("hearing notices on one connection", () => {
  test("several who listen at once: one connection, one command after another, and everybody hears", async () => {
    const { listener, made } = wire();
    const heard: string[] = [];
    const [stop] = await Promise.all([
      listener.listen("work", (payload) => heard.push(`one ${payload}`)),
      listener.listen("work", (payload) => heard.push(`two ${payload}`)),
      listener.listen("plan", (payload) => heard.push(`plan ${payload}`)),
    ]);
    expect(made).toHaveLength(1);
    made[0]!.notice("work", "7");
    stop();
    made[0]!.notice("work", "8");
    expect(heard).toEqual(["one 7", "two 7", "two 8"]);
  });

  test("a lost connection comes back by itself, listens to the same channels, and says that something was missed", async () => {
    const { listener, made, pauses, refuse } = wire();
    const heard: string[] = [];
    await listener.listen(
      "work",
      (payload) => heard.push(payload),
      () => heard.push("missed"),
    );
    refuse(3);
    made[0]!.lost();
    await settled();
    expect(made).toHaveLength(2);
    expect(made[1]!.channels).toContain("work");
    expect(pauses).toEqual([250, 500, 1000, 2000]);
    made[1]!.notice("work", "9");
    expect(heard).toEqual(["missed", "9"]);
  });

  test("the first connection may be refused too; closed, it tries no more", async () => {
    const { listener, made, refuse } = wire();
    refuse(2);
    await listener.listen("work", () => undefined);
    expect(made).toHaveLength(1);
    await listener.close();
    made[0]!.lost();
    await settled();
    expect(made).toHaveLength(1);
  });
});

describe("the statements of a transaction", () => {
  test("run one after another, in the order they were asked, though asked all at once; after its end none goes through", async () => {
    const ran: string[] = [];
    let running = 0;
    const { tx, end } = oneAtATime({
      query: async (text) => {
        running += 1;
        expect(running).toBe(1);
        await new Promise((done) => setTimeout(done, text === "slow" ? 10 : 1));
        running -= 1;
        ran.push(text);
        if (text === "bad") throw new Error("bad");
        return [];
      },
      script: async () => undefined,
    });
    await Promise.all([tx.query("slow"), tx.query("bad").catch(() => undefined), tx.query("quick")]);
    expect(ran).toEqual(["slow", "bad", "quick"]);
    end();
    await expect(tx.query("later")).rejects.toThrow("This transaction is over");
  });
});
