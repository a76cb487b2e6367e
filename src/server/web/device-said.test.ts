import { deviceSaid } from "./device-said";

test.each([
  ["Mozilla/5.0 (Windows NT 10.0; Win64; x64; rv:140.0) Gecko/20100101 Firefox/140.0", "Firefox on Windows"],
  [
    "Mozilla/5.0 (Linux; Android 14) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/150.0 Mobile Safari/537.36",
    "Chrome on Android",
  ],
  [
    "Mozilla/5.0 (X11; CrOS x86_64 15000) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/150.0 Safari/537.36",
    "Chrome on Chromebook",
  ],
  ["Mozilla/5.0 (iPad; CPU OS 18_0 like Mac OS X) AppleWebKit/605.1.15 Version/18.0 Safari/604.1", "Safari on iPad"],
  ["Mozilla/5.0 (Windows NT 10.0) AppleWebKit/537.36 Chrome/150.0 Safari/537.36 Edg/150.0", "Edge on Windows"],
  ["curl/8.0", "A browser"],
])("what a browser says of itself becomes a few words: %s", (agent, said) => {
  expect(deviceSaid(agent)).toBe(said);
});

test("a browser that says nothing, or far too much, is one all the same", () => {
  expect(deviceSaid(null)).toBe("A browser");
  expect(deviceSaid("x".repeat(100_000) + "Firefox/1")).toBe("A browser");
});
