import { readFileSync } from "node:fs";
import path from "node:path";
import { parse } from "yaml";
import { z } from "zod";
import { readCase, type FrameworkFile } from "@/formats/case/case";

/** Frameworks are written by hand in short YAML; this makes the CASE 1.0 package a publisher would give out, and reads that. */
const Written = z.strictObject({
  name: z.string(),
  publisher: z.string(),
  source: z.string(),
  prefix: z.string().optional(),
  areas: z.record(
    z.string(),
    z.strictObject({
      name: z.string(),
      strands: z.record(
        z.string(),
        z.looseObject({ name: z.string() }).catchall(z.union([z.string(), z.array(z.string())])),
      ),
    }),
  ),
  precedes: z.array(z.tuple([z.string(), z.string()])).default([]),
  matches: z.array(z.tuple([z.string(), z.string()])).default([]),
});

const levelOf = (grade: string): string =>
  // England's Year 5 is a year ahead in number: children of nine to ten, as grade 4.
  grade.startsWith("Y")
    ? String(Number(grade.slice(1)) - 1).padStart(2, "0")
    : grade === "K"
      ? "KG"
      : grade.padStart(2, "0");

export function casePackage(name: string): string {
  const file = path.join(import.meta.dirname, "frameworks", `${name}.yaml`);
  const written = Written.parse(parse(readFileSync(file, "utf8")));
  const document = `framework-${name}`;
  const items: object[] = [];
  const associations: object[] = [];
  const add = (identifier: string, parent: string, code: string, statement: string, level?: string) => {
    items.push({
      identifier,
      humanCodingScheme: code,
      fullStatement: statement,
      ...(level && { educationLevel: [level] }),
    });
    associations.push({
      associationType: "isChildOf",
      sequenceNumber: items.length,
      originNodeURI: { identifier },
      destinationNodeURI: { identifier: parent },
    });
  };
  const lead = written.prefix ? `${written.prefix}.` : "";
  for (const [area, { name: areaName, strands }] of Object.entries(written.areas)) {
    add(`${name}-${area}`, document, `${lead}${area}`, areaName);
    for (const [strand, { name: strandName, ...grades }] of Object.entries(strands)) {
      const strandId = `${name}-${area}-${strand}`;
      add(strandId, `${name}-${area}`, `${lead}${area}.${strand}`, strandName);
      // YAML puts whole numbers first: kindergarten is first in school.
      const inOrder = Object.entries(grades).sort(([one], [other]) =>
        levelOf(one).replace("KG", "00").localeCompare(levelOf(other).replace("KG", "00")),
      );
      for (const [grade, statements] of inOrder) {
        (statements as string[]).forEach((statement, at) => {
          const code = `${lead}${area}.${grade}.${strand}.${at + 1}`;
          add(`${name}-${code}`, strandId, code, statement, levelOf(grade));
        });
      }
    }
  }
  const between = (pairs: [string, string][], associationType: string) => {
    for (const [from, to] of pairs) {
      // A code with the prefix of this file is its own; others belong to the district's framework.
      const id = (code: string) => (lead && code.startsWith(lead) ? `${name}-${code}` : `skerry-isles-${code}`);
      associations.push({
        associationType,
        originNodeURI: { identifier: id(from) },
        destinationNodeURI: { identifier: id(to) },
      });
    }
  };
  between(written.precedes, "precedes");
  between(written.matches, "exactMatchOf");
  return JSON.stringify({
    CFDocument: { identifier: document, title: written.name, creator: written.publisher, notes: written.source },
    CFItems: items,
    CFAssociations: associations,
  });
}

export const demoFramework = (name: string): FrameworkFile => readCase(casePackage(name));
