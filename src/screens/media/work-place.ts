"use client";
import { createContext, useContext } from "react";

/** Where a step is worked through: a student's assignment, or, where nothing is kept, a preview. */
export interface WorkPlace {
  /** Where photographs and recordings are sent. */
  filesTo: string;
  /** Under what name this device remembers where a film was left; null: it does not. */
  remember: string | null;
  /** What may be kept of the child who works here: a school may ask families first. */
  kept: { voice: boolean; picture: boolean };
}

const Place = createContext<WorkPlace>({
  filesTo: "/media",
  remember: null,
  kept: { voice: true, picture: true },
});
export const WorkPlaceProvider = Place.Provider;
export const useWorkPlace = (): WorkPlace => useContext(Place);
