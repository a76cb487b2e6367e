/** Pictures to be known by: none of those a password is made of. */
export const badgePictures = [
  "cat",
  "dog",
  "rabbit",
  "squirrel",
  "snail",
  "turtle",
  "rat",
  "bug",
  "leaf",
  "flower",
  "umbrella",
  "drum",
  "guitar",
  "key",
  "crown",
  "rocket",
] as const;
export type BadgePicture = (typeof badgePictures)[number];

export const badgeTones = ["green", "slate", "clay", "ink"] as const;

/** How many there are: more than any class has children. */
export const BADGES = badgePictures.length * badgeTones.length;

export interface Badge {
  picture: BadgePicture;
  tone: (typeof badgeTones)[number];
}

/** The n-th badge, from 0. Those next to each other have different pictures. `badge(0).picture === badge(1).picture` gives `false`. */
export const badge = (n: number): Badge => ({
  picture: badgePictures[n % badgePictures.length]!,
  tone: badgeTones[Math.floor(n / badgePictures.length) % badgeTones.length]!,
});

/**
 * The badge of a child: the one she chose, else one by her number, so that children who were added together have different ones.
 * `badgeNumber(3, null)` gives `3`.
 */
export const badgeNumber = (student: number, chosen: number | null): number => chosen ?? student % BADGES;
