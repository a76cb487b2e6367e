import { JOIN_CODES, joinCode, readJoinCode } from "./join-code";
import { PicturePassword, pictureSecret } from "./pictures";

describe("join codes", () => {
  test("are a word and five digits, whatever is drawn", () => {
    for (const draw of [0, 0.5, 0.999999])
      expect(joinCode((below) => Math.floor(draw * below))).toMatch(/^[A-Z]{3,7} [1-9]\d{4}$/);
  });

  test("are far too many to try out in the hour one lives", () => {
    expect(JOIN_CODES).toBeGreaterThan(1_000_000);
  });

  test.each(["KELP 40213", "kelp40213", " Kelp 40 213 ", "kelp-40213", "Kelp - 40213"])(
    "%j is read as KELP 40213",
    (typed) => {
      expect(readJoinCode(typed)).toBe("KELP 40213");
    },
  );

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
