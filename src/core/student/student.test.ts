import { joinCode, readJoinCode } from "./join-code";
import { PicturePassword, pictureSecret } from "./pictures";

describe("join codes", () => {
  test("are a word and two digits, whatever is drawn", () => {
    for (const draw of [0, 0.5, 0.999999]) expect(joinCode(() => draw)).toMatch(/^[A-Z]{3,7} [1-9]\d$/);
  });

  test.each(["KELP 42", "kelp42", " Kelp 42 ", "kelp-42", "Kelp - 42"])("%j is read as KELP 42", (typed) => {
    expect(readJoinCode(typed)).toBe("KELP 42");
  });

  test("anything else stays what it is, and opens nothing", () => {
    expect(readJoinCode("' or 1=1")).toBe("' OR 1=1");
    expect(readJoinCode("x".repeat(500)).length).toBeLessThanOrEqual(40);
  });
});

describe("picture passwords", () => {
  test("are three known pictures, in order", () => {
    expect(PicturePassword.safeParse(["fish", "boat", "star"]).success).toBe(true);
    expect(PicturePassword.safeParse(["fish", "boat"]).success).toBe(false);
    expect(PicturePassword.safeParse(["fish", "boat", "dragon"]).success).toBe(false);
    expect(pictureSecret(["fish", "boat", "star"])).not.toBe(pictureSecret(["star", "boat", "fish"]));
  });
});
