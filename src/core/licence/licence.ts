import type { Credit, Document, Licence } from "../resource/document";
import { licences } from "../content/vocabulary";
import { voicesAside } from "../resource/voices";

/**
 * What a licence allows. Creative Commons' published compatibility chart for adaptations, from memory; "no licence
 * stated" is all rights reserved.
 */
export const licenceNames: Record<Licence, string> = {
  "CC0-1.0": "No rights reserved (CC0)",
  "CC-BY-4.0": "Attribution (CC BY)",
  "CC-BY-SA-4.0": "Attribution, share alike (CC BY-SA)",
  "CC-BY-NC-4.0": "Attribution, not for sale (CC BY-NC)",
  "CC-BY-NC-SA-4.0": "Attribution, not for sale, share alike (CC BY-NC-SA)",
  "CC-BY-ND-4.0": "Attribution, no adaptations (CC BY-ND)",
  "CC-BY-NC-ND-4.0": "Attribution, not for sale, no adaptations (CC BY-NC-ND)",
  "all-rights-reserved": "All rights reserved",
};

/** The same in as few letters as it is known by: "CC BY-SA". `shortLicence("CC-BY-SA-4.0")` gives `"CC BY-SA"`. */
export const shortLicence = (licence: Licence): string =>
  licence === "all-rights-reserved" ? "all rights reserved" : licence.replace(/-\d\.\d$/, "").replace(/^CC-/, "CC ");

/**
 * Licences an adaptation of something under `source` may be shared under; none: it may not be shared.
 * `licencesForAdaptation("CC-BY-SA-4.0")` gives `["CC-BY-SA-4.0"]`.
 */
export function licencesForAdaptation(source: Licence): Licence[] {
  switch (source) {
    case "CC0-1.0":
      return [...licences];
    case "CC-BY-4.0":
      return licences.filter((licence) => licence.startsWith("CC-BY"));
    case "CC-BY-NC-4.0":
      return ["CC-BY-NC-4.0", "CC-BY-NC-SA-4.0"];
    case "CC-BY-SA-4.0":
    case "CC-BY-NC-SA-4.0":
      return [source];
    default:
      return [];
  }
}

/**
 * Whether an adaptation may be made at all, and if not, why. Her own work she may always change.
 * `mayAdapt("CC-BY-4.0", false)` gives `{ allowed: true }`.
 */
export function mayAdapt(source: Licence, own: boolean): { allowed: true } | { allowed: false; reason: string } {
  if (own || source === "all-rights-reserved" || licencesForAdaptation(source).length > 0) return { allowed: true };
  return {
    allowed: false,
    reason: `The author chose “${licenceNames[source]}”: it may be used and assigned as it is, but not changed.`,
  };
}

/**
 * The document an adaptation starts from: the same steps with their origin noted, the source credited, the licence kept.
 * `startAdaptation(lesson, { resource: 7, revision: 1, title: "Tides", author: "Ada", source: "/r/7" }).credits[0].author` gives `"Ada"`.
 */
export function startAdaptation(
  source: Document,
  from: { resource: number; revision: number; title: string; author: string; source: string },
): Document {
  const credit: Credit = {
    title: from.title,
    author: from.author,
    source: from.source,
    licence: source.licence,
    changed: "",
  };
  return {
    ...source,
    credits: [...source.credits, credit],
    steps: source.steps.map((step) => ({
      ...voicesAside(step),
      origin: step.origin ?? { resource: from.resource, revision: from.revision, step: step.id },
    })),
  };
}

/**
 * Two sources of which no version may be made together, as share-alike and non-commercial ones; null when there are none.
 * `neverTogether([{ licence: "CC-BY-4.0" }, { licence: "CC0-1.0" }])` gives `null`.
 */
export function neverTogether(credits: readonly Credit[]): [Credit, Credit] | null {
  for (const [at, one] of credits.entries())
    for (const other of credits.slice(at + 1)) {
      const allowed = [one.licence, ...licencesForAdaptation(one.licence)];
      const theirs = [other.licence, ...licencesForAdaptation(other.licence)];
      if (!allowed.some((licence) => theirs.includes(licence))) return [one, other];
    }
  return null;
}

/**
 * Why a document may not carry its licence, or null when it may: a version never becomes freer than what it was made
 * from. Keeping the source's own licence is always possible; whether it may then be shared is another question.
 * `licenceProblem({ licence: "CC-BY-4.0", credits: [] })` gives `null`.
 */
export function licenceProblem(document: Pick<Document, "licence" | "credits">): string | null {
  const strict = document.credits.filter(
    ({ licence }) => licence !== document.licence && !licencesForAdaptation(licence).includes(document.licence),
  );
  const pair = neverTogether(document.credits);
  if (pair && strict.length > 0)
    return `“${pair[0].title}” is under “${licenceNames[pair[0].licence]}” and “${pair[1].title}” under “${licenceNames[pair[1].licence]}”: no licence allows both. Take the steps of one of them out.`;
  const [first] = strict;
  return first === undefined
    ? null
    : `“${first.title}” is under “${licenceNames[first.licence]}”; a version of it cannot be under “${licenceNames[document.licence]}”.`;
}

/**
 * Licences a document may carry by all that it was made from, the freest first; none when two of them exclude each other.
 * `licencesAllowed([{ licence: "CC-BY-SA-4.0" }])` gives `["CC-BY-SA-4.0"]`.
 */
export const licencesAllowed = (credits: readonly Credit[]): Licence[] =>
  licences.filter((licence) =>
    credits.every((credit) => credit.licence === licence || licencesForAdaptation(credit.licence).includes(licence)),
  );

/**
 * What taking a part of something would mean for the licence of a document, said before it is taken; null: nothing.
 * `formatBeforeTaking({ licence: "CC0-1.0", credits: [] }, { title: "Tides", licence: "CC0-1.0", own: false })` gives `null`.
 */
export function formatBeforeTaking(
  document: Pick<Document, "licence" | "credits">,
  from: { title: string; licence: Licence; own: boolean },
): string | null {
  if (from.own) return null;
  const credits = [...document.credits, { ...from, author: "", source: "", changed: "" }];
  if (licenceProblem({ licence: document.licence, credits }) === null) return null;
  const pair = neverTogether(credits);
  if (pair)
    return `It can’t go together with “${pair[0].title}”, which is under “${licenceNames[pair[0].licence]}”: no licence allows both.`;
  const [freest] = licencesAllowed(credits);
  return freest
    ? `With a part of it, yours has to be under “${licenceNames[freest]}” too.`
    : `With a part of it, yours stays with you and your classes.`;
}

/**
 * Why a document may not be put on a shelf others see, or null when it may: some sources forbid sharing what is made of them.
 * `sharingProblem({ credits: [] })` gives `null`.
 */
export function sharingProblem(document: Pick<Document, "credits">): string | null {
  const closed = document.credits.find(({ licence }) => licencesForAdaptation(licence).length === 0);
  return closed === undefined
    ? null
    : `“${closed.title}” is under “${licenceNames[closed.licence]}”: a version of it stays with you and your classes.`;
}

/**
 * Title, author, source and licence on one line, and what was changed (Creative Commons' recommended attribution).
 * `creditLine({ title: "Tides", author: "A. Reed", source: "the commons", licence: "CC-BY-4.0", changed: "" }).slice(0, 33)` gives `"“Tides” by A. Reed, the commons, "`.
 */
export function creditLine(credit: Credit): string {
  const line = `${credit.resource === undefined ? "" : "parts of "}“${credit.title}” by ${credit.author}, ${credit.source}, ${licenceNames[credit.licence]}`;
  return credit.changed ? `${line}; changed: ${credit.changed}` : line;
}
