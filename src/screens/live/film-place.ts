"use client";
import { createContext, useContext } from "react";

/** Where films of a led lesson run, and one that was started for everybody. */
export interface FilmPlace {
  /** False: it runs on the board, and here is said so. */
  here: boolean;
  /** Started for all: which block, from which second, since when by this device's clock. */
  playing: { block: string; from: number; at: number } | null;
}

const Place = createContext<FilmPlace>({ here: true, playing: null });
export const FilmPlaceProvider = Place.Provider;
export const useFilmPlace = () => useContext(Place);
