import { activities, type Activity } from "../content/vocabulary";
import { devices, type Device } from "../content/device";
import { countries, languageOf, languages, type Country } from "../locale/names";
import type { Licence } from "../resource/document";
import { licences } from "../content/vocabulary";

/**
 * What else is known about an entry beside `facets`: two more integers, narrow enough to read for a million rows.
 *
 *   also:  bits 0-6 languages, one bit each | 11-13 licence | 14-21 devices, one bit each | 22-29 country
 *   doing: one bit for each activity
 */
const COUNTRY_SHIFT = 22;
const LICENCE_SHIFT = 11;
const DEVICE_SHIFT = 14;
const BYTE = 255;
const EIGHT = 7;

export interface AlsoValues {
  languages: readonly string[];
  country: Country;
  licence: Licence;
  devices: readonly Device[];
  doing: readonly Activity[];
}

const bits = (positions: readonly number[]): number => positions.reduce((all, at) => all | (1 << at), 0);

/** Languages, country, licence and devices of an entry in one integer. */
export function packAlso({ languages: tags, country, licence, devices: needed }: AlsoValues): number {
  return (
    bits(tags.map((tag) => languages.indexOf(languageOf(tag)))) |
    (countries.indexOf(country) << COUNTRY_SHIFT) |
    (licences.indexOf(licence) << LICENCE_SHIFT) |
    (bits(needed.map((device) => devices.indexOf(device))) << DEVICE_SHIFT)
  );
}

/** What students do with it, a bit for each: `packDoing([])` gives `0`. */
export const packDoing = (doing: readonly Activity[]): number => bits(doing.map((one) => activities.indexOf(one)));

/** A blank that reads bits of one integer column: where its value stands, and whether an entry has one or several. */
export interface BitBlank {
  column: "also" | "doing";
  shift: number;
  mask: number;
  /** "each": one bit for each value; "code": a number. */
  kept: "each" | "code";
  values: readonly string[];
}

export const bitBlanks = {
  language: { column: "also", shift: 0, mask: (1 << languages.length) - 1, kept: "each", values: languages },
  country: { column: "also", shift: COUNTRY_SHIFT, mask: BYTE, kept: "code", values: countries },
  licence: { column: "also", shift: LICENCE_SHIFT, mask: EIGHT, kept: "code", values: licences },
  device: { column: "also", shift: DEVICE_SHIFT, mask: (1 << devices.length) - 1, kept: "each", values: devices },
  doing: { column: "doing", shift: 0, mask: (1 << activities.length) - 1, kept: "each", values: activities },
} as const satisfies Record<string, BitBlank>;

export type BitBlankName = keyof typeof bitBlanks;

/** The chosen values of a bit blank as a mask of value positions. `chosenBits("device", ["tablet"])` gives `4`. */
export const chosenBits = (blank: BitBlankName, chosen: readonly string[]): number =>
  bits(chosen.map((value) => codeOf(blank, value)).filter((at) => at >= 0));

/** Which value of its blank it is. `codeOf("language", "tlh")` gives `-1`. */
export const codeOf = (blank: BitBlankName, value: string): number =>
  (bitBlanks[blank].values as readonly string[]).indexOf(value);

/** Languages that have no bit of their own. `unlisted(["en", "tlh"])` gives `["tlh"]`. */
export const unlisted = (chosen: readonly string[]): string[] =>
  chosen.filter((one) => !(languages as readonly string[]).includes(one));
