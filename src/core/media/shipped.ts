import type { TextByLanguage } from "../content/language";

/** A sound that has not been recorded yet: it ships with the application, so that nothing is missing where it stands. */
export const silence = "sound:silence";

export interface ShippedFilm {
  media: string;
  title: TextByLanguage;
  seconds: number;
  captions: Record<string, string>;
}

const film = (name: string, seconds: number, title: TextByLanguage): ShippedFilm => ({
  media: `film:${name}`,
  title,
  seconds,
  captions: { en: `captions:${name}.en`, es: `captions:${name}.es` },
});

/** The films that come with the application, made by scripts/films. */
export const shippedFilms: readonly ShippedFilm[] = [
  film("a-tide-in-a-minute", 48, { en: "A tide in a minute", es: "Una marea en un minuto" }),
  film("into-the-lock", 40, { en: "Into the lock", es: "Dentro de la esclusa" }),
];

/** Width and height of the drawings that come with the application, as their files say (checked in shipped.test). */
export const shippedSizes: Readonly<Record<string, readonly [number, number]>> = {
  "drawing:bird-graph": [540, 305],
  "drawing:blank": [640, 420],
  "drawing:boat-plan": [640, 360],
  "drawing:bowline": [640, 255],
  "drawing:fraction-bars": [540, 235],
  "drawing:gull-tern": [640, 260],
  "drawing:isles-map": [560, 380],
  "drawing:kelp-parts": [420, 340],
  "drawing:kelp-plain": [420, 340],
  "drawing:knit-band": [610, 190],
  "drawing:lighthouse": [480, 300],
  "drawing:market-stall": [640, 270],
  "drawing:moon-tide": [600, 290],
  "drawing:puffins-ledge": [480, 300],
  "drawing:sea-colours": [560, 260],
  "drawing:sheep-skerry": [520, 280],
  "drawing:shore-finds": [560, 270],
  "drawing:song-bars": [580, 180],
  "drawing:tide-harbour": [640, 310],
  "drawing:two-lights": [560, 280],
  "drawing:wind-scale": [640, 236],
};
