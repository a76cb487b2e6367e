import { z } from "zod";

/** What is known of a kind of input, as JSON Schema says it. */
interface Shape {
  type?: string | string[];
  const?: unknown;
  enum?: unknown[];
  anyOf?: Shape[];
  oneOf?: Shape[];
  allOf?: Shape[];
  properties?: Record<string, Shape>;
  required?: string[];
  items?: Shape | false;
  prefixItems?: Shape[];
  minItems?: number;
  minLength?: number;
  minimum?: number;
  exclusiveMinimum?: number;
  maximum?: number;
  format?: string;
  pattern?: string;
  default?: unknown;
}

/** What a text is taken for by its pattern; the first that fits. */
const samples = [
  "a",
  "2026-11-30",
  "2026-11-30T09:00",
  "2026-11-30T09:00:00.000Z",
  "08:30",
  "123456",
  "XS",
  "en",
  "0123456789abcdef".repeat(4),
  "abcdefghijklmnopqrstuv",
  "A2".repeat(16),
  "#aabbcc",
];
/** What a field is taken for by its name, where the action looks closer than its shape says. */
const byName: Readonly<Record<string, unknown>> = {
  address: "https://skerry.example/",
  tokenUrl: "https://skerry.example/token",
  issuer: "https://skerry.example/",
  email: "x@skerry.example",
  languages: ["en"],
  zone: "Europe/London",
  ends: "09:15",
  from: 1,
  to: 2,
  decided: new Date("2026-11-30T09:00:00Z"),
};

function text({ format, pattern, minLength = 1 }: Shape): string {
  if (format === "date-time") return "2026-11-30T09:00:00Z";
  if (format === "date") return "2026-11-30";
  if (format === "email") return "x@skerry.example";
  if (format === "uri") return "https://skerry.example/";
  const fits = pattern === undefined ? null : new RegExp(pattern, "u");
  return samples.find((one) => one.length >= minLength && (fits?.test(one) ?? true)) ?? "a".repeat(minLength);
}

const kindOf = (value: unknown) => (Array.isArray(value) ? "array" : typeof value);

type Ids = (field: string) => number | undefined;

function number(shape: Shape, field: string, ids: Ids): number {
  const least = shape.minimum ?? (shape.exclusiveMinimum === undefined ? 0 : shape.exclusiveMinimum + 1);
  // Ids are whole numbers above nothing, without an end of their own.
  if (least === 1 && (shape.maximum ?? Infinity) > 1_000_000) return ids(field) ?? 1;
  return Math.max(least, Math.min(1, shape.maximum ?? 1));
}

/** `turn`: which of several ways is gone, where a shape has several. */
function exampleOf(shape: Shape, field: string, ids: Ids, turn: number): unknown {
  if (shape.const !== undefined) return shape.const;
  const ways = shape.anyOf ?? shape.oneOf;
  if (ways) return exampleOf(ways[turn % ways.length]!, field, ids, turn);
  if (shape.enum) return shape.enum[turn % shape.enum.length];
  if (shape.allOf) return Object.assign({}, ...shape.allOf.map((part) => exampleOf(part, field, ids, turn)));
  const type = Array.isArray(shape.type) ? shape.type[0] : shape.type;
  if (type === "null") return null;
  const named = byName[field];
  if (named !== undefined && (type ?? typeof named) === kindOf(named)) return named;
  if (type === "object") {
    const wanted = Object.entries(shape.properties ?? {}).filter(
      ([name, of]) => shape.required?.includes(name) || of.type === "integer",
    );
    return Object.fromEntries(wanted.map(([name, of]) => [name, exampleOf(of, name, ids, turn)]));
  }
  if (type === "array") {
    if (shape.prefixItems) return shape.prefixItems.map((part) => exampleOf(part, field, ids, turn));
    const part = shape.items ? exampleOf(shape.items, field, ids, turn) : null;
    return Array.from({ length: Math.max(1, shape.minItems ?? 1) }, () => part);
  }
  if (type === "boolean") return turn % 2 === 0;
  return type === "integer" || type === "number" ? number(shape, field, ids) : text(shape);
}

const WAYS = 6;

/**
 * Inputs that `schema` takes, as small as may be, with `ids(field)` wherever a whole number without an end is asked for. Fields that may be
 * left out are left out, but for ids. Where a shape has several ways, there is one for each. None: it is written by hand.
 */
export function inputsFor(schema: z.ZodType, ids: Ids): unknown[] {
  const shape = z.toJSONSchema(schema, { io: "input", unrepresentable: "any" }) as Shape;
  const all = Array.from({ length: WAYS }, (_, turn) => exampleOf(shape, "", ids, turn));
  const taken = all.filter((input) => schema.safeParse(input).success);
  return [...new Map(taken.map((input) => [JSON.stringify(input), input])).values()];
}
