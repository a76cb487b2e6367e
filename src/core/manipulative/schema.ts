import { z } from "zod";
import { MediaReference } from "../content/schema/media-reference";
import { TextByLanguage } from "../content/schema/language";
import { Axis } from "../content/schema/scale";
import { isCurrency } from "./coins";

/**
 * Things to find out with: each computes what it shows. Alone in a step they are for trying out; under a question that
 * asks for a number they are what the number is found with.
 */
const NumberLine = z.object({ tool: z.literal("number line"), axis: Axis });

/** Bars of one length, each cut into this many equal parts. */
const PartBars = z.object({ tool: z.literal("bars"), parts: z.array(z.number().int().min(1).max(24)).min(1).max(4) });

/** Blocks of ones, tens, hundreds, thousands: as many places as are wanted. */
const BaseTen = z.object({ tool: z.literal("base ten"), places: z.number().int().min(2).max(4).default(3) });

/** Minutes of the day, 0 to 1439. */
const Clock = z.object({
  tool: z.literal("clock"),
  from: z.number().int().min(0).max(1439),
  to: z.number().int().min(0).max(1439),
});

const Weight = z.number().min(0.001).max(1_000_000);
const Balance = z.object({
  tool: z.literal("balance"),
  /** What lies on the left pan; its weight is what is to be found. */
  left: z
    .array(z.object({ name: TextByLanguage, weight: Weight }))
    .min(1)
    .max(6),
  /** The weights there are, each as often as wanted. */
  weights: z.array(Weight).min(1).max(8),
  unit: z.string().max(20).default("g"),
});

const GraphReader = z.object({
  tool: z.literal("graph reader"),
  x: Axis,
  y: Axis,
  points: z
    .array(z.tuple([z.number(), z.number()]))
    .min(2)
    .max(60)
    .refine((points) => points.every(([x], at) => at === 0 || x > points[at - 1]![0]), "Points go from left to right"),
  /** "straight": lines from point to point; "tide": the points are high and low water, the curve between them a tide's. */
  curve: z.enum(["straight", "tide"]).default("straight"),
});

const Coins = z.object({
  tool: z.literal("coins"),
  currency: z.string().refine(isCurrency, "Not a currency"),
  /** Coins and notes to lay, in the smallest unit; those of the currency where nothing is said. */
  pieces: z.array(z.number().int().min(1).max(1_000_000)).min(1).max(16).optional(),
});

const Ruler = z.object({
  tool: z.literal("ruler"),
  measure: z.enum(["length", "angle"]),
  media: MediaReference,
  description: TextByLanguage,
  /** How wide the picture is in life, in the unit: it makes lengths out of places. */
  width: z.number().positive().max(1_000_000).default(20),
  unit: z.string().max(20).default("cm"),
});

export const Manipulative = z.discriminatedUnion("tool", [
  NumberLine,
  PartBars,
  BaseTen,
  Clock,
  Balance,
  GraphReader,
  Coins,
  Ruler,
]);
export type Manipulative = z.infer<typeof Manipulative>;
export type ManipulativeName = Manipulative["tool"];
export type ManipulativeOf<Name extends ManipulativeName> = Extract<Manipulative, { tool: Name }>;
