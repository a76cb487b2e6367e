import type { TextByLanguage } from "../resource/language";

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
