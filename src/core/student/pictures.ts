import { z } from "zod";

/** The pictures a child's password is made of: three of them, in order. */
export const pictures = [
  "anchor",
  "bell",
  "bird",
  "boat",
  "cloud",
  "feather",
  "fish",
  "moon",
  "shell",
  "star",
  "sun",
  "tree",
] as const;
export const Picture = z.enum(pictures);
export type Picture = z.infer<typeof Picture>;

export const PASSWORD_LENGTH = 3;
export const PicturePassword = z.array(Picture).length(PASSWORD_LENGTH);

/** What is hashed for a picture password. `pictureSecret(["fish", "star"])` gives `"fish star"`. */
export function pictureSecret(chosen: readonly Picture[]): string {
  return chosen.join(" ");
}
