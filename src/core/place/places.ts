import au from "./places/au.json";
import ca from "./places/ca.json";
import gb from "./places/gb.json";
import us from "./places/us.json";
import xs from "./places/xs.json";

/** What is at home in a place; each is a data file. Common knowledge; the isles' are the demo's. */
export interface Place {
  /** ISO 3166; XS: the demo's isles. */
  code: string;
  name: string;
  spelling: "american" | "british";
  units: "customary" | "metric";
  /** December 25, or 25 December. */
  dates: "month first" | "day first";
  /** 3:15 PM, or 15:15. */
  clock: 12 | 24;
  paper: { name: string; also: string[] };
  money: {
    /** One, and several. */
    major: [string, string];
    minor: [string, string];
    sign: string;
    /** The sign stands before the amount. */
    before: boolean;
    /** Coins with names of their own, which have no counterpart elsewhere. */
    coins: string[];
  };
  /** School words, by their American name. */
  words: Record<string, string>;
  holidays: string[];
}

export const places: readonly Place[] = [us, gb, au, ca, xs] as unknown as Place[];
/** `placeOf("GB").name` gives `"the United Kingdom"`. */
export const placeOf = (code: string): Place | undefined => places.find((place) => place.code === code);
