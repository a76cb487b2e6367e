import { addressesAhead } from "./addresses-ahead";

describe("addresses the router has not followed to yet", () => {
  const gone = (...addresses: string[]) => {
    const ahead = addressesAhead();
    addresses.forEach(ahead.send);
    return ahead;
  };

  test("the last one counts, also while the router arrives at those before it", () => {
    const ahead = gone("words=ti", "words=tid", "words=tide");
    expect(ahead.last()).toBe("words=tide");
    ahead.arrive("words=ti");
    ahead.arrive("words=tid");
    expect(ahead.last()).toBe("words=tide");
    ahead.arrive("words=tide");
    expect(ahead.last()).toBeNull();
  });

  test("the router may leave some out", () => {
    const ahead = gone("words=ti", "words=tid", "words=tide");
    ahead.arrive("words=tide");
    expect(ahead.last()).toBeNull();
  });

  test("an address nobody here went to ends them: somebody was led elsewhere", () => {
    const ahead = gone("words=ti");
    ahead.arrive("open=3&do=assign");
    expect(ahead.last()).toBeNull();
  });

  test("going back with the browser ends them", () => {
    const ahead = gone("words=ti");
    ahead.drop();
    expect(ahead.last()).toBeNull();
  });

  test("a listener is told of every change until it stops listening", () => {
    const ahead = addressesAhead();
    const heard: (string | null)[] = [];
    const stop = ahead.subscribe(() => heard.push(ahead.last()));
    ahead.send("words=ti");
    ahead.arrive("words=ti");
    stop();
    ahead.send("words=boat");
    expect(heard).toEqual(["words=ti", null]);
  });
});
