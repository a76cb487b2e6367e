import { activities, type Activity } from "../resource/activity";
import type { Licence } from "../resource/document";
import { licences } from "../resource/vocabulary";

/**
 * What else is known about an entry beside `facets`: two more integers, narrow enough to read for a million rows.
 *
 *   also:  bits 0-6 languages, one bit each | 7-10 country | 11-13 licence | 14-21 devices, one bit each
 *   doing: one bit for each activity
 */
export const languages = ["en", "es", "fr", "da", "fo", "is", "other"] as const;
export type Language = (typeof languages)[number];

/** Countries a resource can belong to. "any" belongs to none: nothing in it speaks of one country's ways. XS: the Skerry Isles. */
export const countries = ["any", "XS", "US", "GB", "IE", "AU", "CA", "NZ", "ES", "MX", "FR", "DK", "IS"] as const;
export type Country = (typeof countries)[number];

export const devices = ["any", "computer", "tablet", "phone", "camera", "microphone", "printer", "none"] as const;
export type Device = (typeof devices)[number];

const COUNTRY_SHIFT = 7;
const LICENCE_SHIFT = 11;
const DEVICE_SHIFT = 14;
const SIXTEEN = 15;
const EIGHT = 7;

export interface AlsoValues {
  languages: readonly string[];
  country: Country;
  licence: Licence;
  devices: readonly Device[];
  doing: readonly Activity[];
}

const bits = (positions: readonly number[]): number => positions.reduce((all, at) => all | (1 << at), 0);

/** The listed language a BCP 47 tag belongs to. */
export function languageOf(tag: string): Language {
  const base = tag.split("-")[0]!.toLowerCase();
  return languages.find((language) => language === base) ?? "other";
}

export function packAlso({ languages: tags, country, licence, devices: needed }: AlsoValues): number {
  return (
    bits(tags.map((tag) => languages.indexOf(languageOf(tag)))) |
    (countries.indexOf(country) << COUNTRY_SHIFT) |
    (licences.indexOf(licence) << LICENCE_SHIFT) |
    (bits(needed.map((device) => devices.indexOf(device))) << DEVICE_SHIFT)
  );
}

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
  country: { column: "also", shift: COUNTRY_SHIFT, mask: SIXTEEN, kept: "code", values: countries },
  licence: { column: "also", shift: LICENCE_SHIFT, mask: EIGHT, kept: "code", values: licences },
  device: { column: "also", shift: DEVICE_SHIFT, mask: (1 << devices.length) - 1, kept: "each", values: devices },
  doing: { column: "doing", shift: 0, mask: (1 << activities.length) - 1, kept: "each", values: activities },
} as const satisfies Record<string, BitBlank>;

export type BitBlankName = keyof typeof bitBlanks;

/** The chosen values of a bit blank as a mask of value positions. */
export const chosenBits = (blank: BitBlankName, chosen: readonly string[]): number =>
  bits(chosen.map((value) => (bitBlanks[blank].values as readonly string[]).indexOf(value)).filter((at) => at >= 0));

const made = new Map<"region" | "language", Intl.DisplayNames>();
/** Names in English; they take some 10 ms to read, which a page that shows none need not wait for. */
function namesOf(type: "region" | "language"): Intl.DisplayNames {
  const names = made.get(type) ?? new Intl.DisplayNames("en", { type });
  made.set(type, names);
  return names;
}

export function countryName(country: Country): string {
  if (country === "any") return "anywhere";
  // Unicode keeps the codes XA to XZ for private use: Intl has no name for them.
  return country === "XS"
    ? "the Skerry Isles"
    : namesOf("region")
        .of(country)!
        .replace(/^United /, "the United ");
}

export const languageName = (language: string): string =>
  language === "other" ? "another language" : (namesOf("language").of(language) ?? language);

const deviceNames: Record<Device, string> = {
  any: "any device",
  computer: "a computer",
  tablet: "a tablet",
  phone: "a phone",
  camera: "a camera",
  microphone: "a microphone",
  printer: "a printer",
  none: "no device at all",
};
export const deviceName = (device: Device): string => deviceNames[device];
