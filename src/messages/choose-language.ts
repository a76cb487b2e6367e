import { isScreenLanguage, type ScreenLanguage } from "./catalogues";

/**
 * The language of a student's screens: the one chosen on this device, else the first the browser asks for that there is, else English.
 * @param accepted the header Accept-Language, for example "es-MX,es;q=0.9,en;q=0.8"
 */
export function chooseLanguage(chosen: string | undefined, accepted: string | null): ScreenLanguage {
  if (isScreenLanguage(chosen)) return chosen;
  const asked = (accepted ?? "")
    .slice(0, 500)
    .split(",")
    .map((part, at) => {
      const [tag = "", ...rest] = part.trim().split(";");
      const quality = Number(rest.find((one) => one.trim().startsWith("q="))?.split("=")[1] ?? 1);
      return { base: tag.split("-")[0]!.toLowerCase(), quality: Number.isFinite(quality) ? quality : 0, at };
    })
    .sort((one, other) => other.quality - one.quality || one.at - other.at);
  return asked.map(({ base }) => base).find(isScreenLanguage) ?? "en";
}
