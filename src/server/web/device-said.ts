const browsers: readonly [RegExp, string][] = [
  [/Edg\//, "Edge"],
  [/OPR\//, "Opera"],
  [/Firefox\//, "Firefox"],
  [/Chrome\//, "Chrome"],
  [/Safari\//, "Safari"],
];
const systems: readonly [RegExp, string][] = [
  [/Windows/, "Windows"],
  [/Android/, "Android"],
  [/iPad/, "iPad"],
  [/iPhone/, "iPhone"],
  [/CrOS/, "Chromebook"],
  [/Mac OS X/, "Mac"],
  [/Linux/, "Linux"],
];
const first = (list: typeof browsers, text: string) => list.find(([pattern]) => pattern.test(text))?.[1];

/** "Firefox on Windows", from what a browser says of itself; no more of it is kept. */
export function deviceSaid(agent: string | null): string {
  const text = (agent ?? "").slice(0, 400);
  const [browser, system] = [first(browsers, text), first(systems, text)];
  return [browser ?? "A browser", system].filter(Boolean).join(" on ");
}
