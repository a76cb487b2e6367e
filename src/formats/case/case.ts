import { z } from "zod";

/**
 * Reads frameworks in the JSON form of CASE 1.0 (Competencies and Academic Standards Exchange): one document with its
 * items and the associations between them. Shapes from memory of the published specification.
 */
export interface FrameworkFile {
  uri: string;
  name: string;
  publisher: string;
  source: string;
  statements: Statement[];
  associations: { origin: string; kind: AssociationKind; destination: string }[];
  /** What stands in the file and is not taken over, a phrase for each sort; empty when everything is. */
  leftOut: string[];
}

export interface Statement {
  uri: string;
  /** Null: directly under the document. */
  parent: string | null;
  code: string;
  statement: string;
  /** School grades, K as 0; null where none are said. */
  grades: { from: number; to: number } | null;
}

export const associationKinds = ["exactMatchOf", "isRelatedTo", "precedes", "isPeerOf", "replacedBy"] as const;
export type AssociationKind = (typeof associationKinds)[number];

/** What is wrong with a file, where in it, and why. */
export class CaseError extends Error {
  constructor(
    readonly place: string,
    readonly reason: string,
  ) {
    super(`${place}: ${reason}`);
    this.name = "CaseError";
  }
}

const Item = z.object({
  identifier: z.string().min(1),
  uri: z.string().optional(),
  fullStatement: z.string().trim().min(1, "has no fullStatement"),
  humanCodingScheme: z.string().optional(),
  educationLevel: z.array(z.string()).optional(),
  listEnumeration: z.union([z.string(), z.number()]).optional(),
});
const Node = z.object({ identifier: z.string().optional(), uri: z.string().optional() });
const Association = z.object({
  associationType: z.string(),
  sequenceNumber: z.number().optional(),
  originNodeURI: Node,
  destinationNodeURI: Node,
});
const Package = z.object({
  CFDocument: z.object({
    identifier: z.string().min(1),
    uri: z.string().optional(),
    title: z.string().min(1),
    creator: z.string().optional(),
    description: z.string().optional(),
    licenseURI: z.unknown().optional(),
    notes: z.string().optional(),
  }),
  CFItems: z.array(Item),
  CFAssociations: z.array(Association).default([]),
});

const LARGEST = 20_000;
/** Deeper than any published framework is. */
const MOST_LEVELS = 30;

/** "KG", "K", "01", "5" … as K-12 grades; levels that are no grade are left out. */
function gradeOf(level: string): number | null {
  if (/^(k|kg)$/i.test(level)) return 0;
  return /^\d{1,2}$/.test(level) && Number(level) <= 12 ? Number(level) : null;
}

function gradesOf(levels: readonly string[] | undefined): Statement["grades"] {
  const grades = (levels ?? [])
    .map(gradeOf)
    .filter((grade) => grade !== null)
    .sort((one, other) => one - other);
  return grades.length === 0 ? null : { from: grades[0]!, to: grades.at(-1)! };
}

const nodeId = (node: z.infer<typeof Node>): string => node.identifier ?? node.uri?.split("/").at(-1) ?? "";

/** @throws CaseError naming the place in the file and the reason */
export function readCase(json: string): FrameworkFile {
  let value: unknown;
  try {
    value = JSON.parse(json);
  } catch (error) {
    throw new CaseError("the file", `is not JSON (${(error as Error).message})`);
  }
  const read = Package.safeParse(value);
  if (!read.success) {
    const [issue] = read.error.issues;
    throw new CaseError(issue!.path.join(".") || "the file", issue!.message);
  }
  const { CFDocument: document, CFItems: items, CFAssociations: associations } = read.data;
  if (items.length > LARGEST) throw new CaseError("CFItems", `has ${items.length} statements; ${LARGEST} are the most`);
  const known = new Map<string, number>();
  items.forEach((item, at) => {
    if (known.has(item.identifier))
      throw new CaseError(`CFItems.${at}`, `has the identifier of CFItems.${known.get(item.identifier)}`);
    known.set(item.identifier, at);
  });

  const parents = new Map<string, { parent: string | null; order: number }>();
  const others: FrameworkFile["associations"] = [];
  const left = new Map<string, number>();
  const leaveOut = (what: string) => left.set(what, (left.get(what) ?? 0) + 1);
  associations.forEach((association, at) => {
    const [origin, destination] = [nodeId(association.originNodeURI), nodeId(association.destinationNodeURI)];
    if (association.associationType === "isChildOf") {
      if (!known.has(origin)) throw new CaseError(`CFAssociations.${at}`, `the child ${origin} is not in CFItems`);
      if (destination !== document.identifier && !known.has(destination))
        throw new CaseError(`CFAssociations.${at}`, `the parent ${destination} is not in this file`);
      if (parents.has(origin)) return leaveOut("further places of a statement in the tree");
      parents.set(origin, {
        parent: destination === document.identifier ? null : destination,
        order: association.sequenceNumber ?? at,
      });
    } else if ((associationKinds as readonly string[]).includes(association.associationType)) {
      others.push({ origin, kind: association.associationType as AssociationKind, destination });
    } else leaveOut(`associations of the kind ${association.associationType}`);
  });
  for (const level of items.flatMap((item) => item.educationLevel ?? []))
    if (gradeOf(level) === null) leaveOut(`mentions of the level ${level}, which is no grade`);
  return {
    uri: document.identifier,
    name: document.title,
    publisher: document.creator ?? "",
    source: document.notes ?? document.description ?? "",
    statements: inTreeOrder(items, parents),
    associations: others,
    leftOut: [...left].map(([what, times]) => `${times} ${what}`),
  };
}

/** Parents before children, siblings by their sequence number. */
function inTreeOrder(
  items: z.infer<typeof Item>[],
  parents: ReadonlyMap<string, { parent: string | null; order: number }>,
): Statement[] {
  const children = new Map<string | null, z.infer<typeof Item>[]>();
  for (const item of items) {
    const parent = parents.get(item.identifier)?.parent ?? null;
    const siblings = children.get(parent);
    if (siblings) siblings.push(item);
    else children.set(parent, [item]);
  }
  const order = (item: z.infer<typeof Item>) => parents.get(item.identifier)?.order ?? 0;
  const placed: Statement[] = [];
  const below = (parent: string | null, level: number) =>
    (children.get(parent) ?? [])
      .sort((one, other) => order(other) - order(one))
      .map((item) => ({ item, parent, level }));
  // The next statement to place is the last of the list: a tree may be deeper than functions may call themselves.
  const waiting = below(null, 1);
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const { item, parent, level } = next;
    if (level > MOST_LEVELS)
      throw new CaseError("CFAssociations", `${nameOf(item)} is more than ${MOST_LEVELS} levels deep`);
    placed.push({
      uri: item.identifier,
      parent,
      code: item.humanCodingScheme?.trim() ?? "",
      statement: item.fullStatement,
      grades: gradesOf(item.educationLevel),
    });
    for (const child of below(item.identifier, level + 1)) waiting.push(child);
  }
  if (placed.length < items.length) {
    const found = new Set(placed.map(({ uri }) => uri));
    const lost = items.find((item) => !found.has(item.identifier))!;
    throw new CaseError("CFAssociations", `${nameOf(lost)} is its own parent`);
  }
  return placed;
}

const nameOf = (item: z.infer<typeof Item>): string => item.humanCodingScheme ?? item.identifier;
