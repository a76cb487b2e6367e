import { gradesOfSpan } from "@/core/content/grade";
import type { Document, Licence } from "@/core/resource/document";
import { titleOf } from "@/core/resource/document";
import { inLanguage } from "@/core/content/language";
import { factsOf } from "@/core/resource/facts";

/** Where each licence is described, by Creative Commons; all rights reserved has no address. */
const licenceAddress: Readonly<Partial<Record<Licence, string>>> = {
  "CC0-1.0": "https://creativecommons.org/publicdomain/zero/1.0/",
  "CC-BY-4.0": "https://creativecommons.org/licenses/by/4.0/",
  "CC-BY-SA-4.0": "https://creativecommons.org/licenses/by-sa/4.0/",
  "CC-BY-NC-4.0": "https://creativecommons.org/licenses/by-nc/4.0/",
  "CC-BY-NC-SA-4.0": "https://creativecommons.org/licenses/by-nc-sa/4.0/",
  "CC-BY-ND-4.0": "https://creativecommons.org/licenses/by-nd/4.0/",
  "CC-BY-NC-ND-4.0": "https://creativecommons.org/licenses/by-nc-nd/4.0/",
};
const relations = { teaches: "teaches", assesses: "assesses", requires: "requires" } as const;

/**
 * What a resource is, for search engines and other systems: LRMI as schema.org's LearningResource in JSON-LD. Durations are ISO 8601. The
 * shape is from memory of the published vocabulary.
 */
export function lrmi(document: Document, of: { author: string; address?: string }): object {
  const { languages } = document;
  const { minutes } = factsOf(document);
  const summary = inLanguage(document.summary, languages);
  return {
    "@context": "https://schema.org",
    "@type": "LearningResource",
    ...(of.address && { "@id": of.address, url: of.address }),
    name: titleOf(document),
    ...(summary && { description: summary }),
    inLanguage: languages,
    learningResourceType: document.kind,
    about: [...document.subjects, ...document.topics],
    educationalLevel: gradesOfSpan(document.grades).map((grade) => (grade === 0 ? "Kindergarten" : `Grade ${grade}`)),
    timeRequired: `PT${minutes}M`,
    author: { "@type": "Person", name: of.author },
    ...(licenceAddress[document.licence] && { license: licenceAddress[document.licence] }),
    educationalAlignment: document.standards.map(({ framework, code, relation }) => ({
      ...{ "@type": "AlignmentObject", alignmentType: relations[relation] },
      ...{ educationalFramework: framework, targetName: code },
    })),
    isBasedOn: document.credits.map(({ title, author, source, licence }) => ({
      ...{ "@type": "CreativeWork", name: title, author: { "@type": "Person", name: author }, publisher: source },
      ...(licenceAddress[licence] && { license: licenceAddress[licence] }),
    })),
  };
}

/** As it stands in a page: what would end the element it stands in is written in another way. */
export const inScript = (value: object): string => JSON.stringify(value).replaceAll("<", "\\u003c");
