import { withPhrase } from "./phrases";

jest.mock("@/screens/acts/review", () => ({ keepPhrases: jest.fn() }));
jest.mock("next/navigation", () => ({ useRouter: () => ({ refresh: () => undefined }) }));

test("a phrase is put after what is there, and taken out again by the same press", () => {
  expect(withPhrase("", "Well done.")).toBe("Well done.");
  expect(withPhrase("Show the sum. ", "Well done.")).toBe("Show the sum. Well done.");
  expect(withPhrase("Show the sum. Well done. Now the next.", "Well done.")).toBe("Show the sum. Now the next.");
  expect(withPhrase("Well done.", "Well done.")).toBe("");
});
