/** "Ada", "Ada and Bo", "Ada, Bo and Cleo"; nothing of none. `formatList(["Ada", "Bo", "Cleo"])` gives `"Ada, Bo and Cleo"`. */
export const formatList = (words: readonly string[], last: "and" | "or" = "and"): string =>
  words.length <= 1 ? (words[0] ?? "") : `${words.slice(0, -1).join(", ")} ${last} ${words.at(-1)}`;
