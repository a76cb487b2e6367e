import { z } from "zod";
import { MediaReference } from "../content/schema/media-reference";

/** What forms about teams and sets ask for: checked beside the field while it is filled in, and again by the act it is sent to. */

const Id = z.number().int().positive();

const PartName = z.string().trim().min(1, "A part of the work needs a name.").max(60, "Keep it under 60 characters.");
const Part = z.object({ id: Id.nullable(), name: PartName });
const Parts = z
  .array(Part)
  .min(1, "Name at least one part of the work: reading, the lab, exit questions.")
  .max(12, "A team can have up to twelve parts of the work.");

/** A team: its name, its people, and the parts of the work, each with its id unless it is new. */
export const TeamInput = z.object({
  name: z.string().trim().min(1, "A team needs a name.").max(80, "Keep the name under 80 characters."),
  people: z.array(Id).max(60, "A team can have up to 60 people."),
  lines: Parts,
});

/** A team as it is filled in: lines left empty are left out. */
export const TypedTeam = TeamInput.extend({
  lines: z
    .array(z.object({ id: Id.nullable(), name: z.string() }))
    .transform((lines) => lines.filter(({ name }) => name.trim() !== ""))
    .pipe(Parts),
});

const fewThings = "Put at least one thing in.";
const manyThings = "A set can have up to 200 things.";

/** A set of the district on Find's first page, with its things by their ids, in order. */
export const SetInput = z.object({
  name: z.string().trim().min(1, "A set needs a name.").max(120, "Keep the name under 120 characters."),
  note: z.string().trim().max(300, "Keep the sentence under 300 characters."),
  /** 1 to 12; none: all year. */
  months: z.array(z.number().int().min(1).max(12)).max(12),
  cover: MediaReference.nullable(),
  items: z.array(Id).min(1, fewThings).max(200, manyThings),
});

/** A set as it is filled in: its things are there with what they are called. */
export const TypedSet = SetInput.extend({
  items: z
    .array(z.object({ id: Id, title: z.string(), author: z.string() }))
    .min(1, fewThings)
    .max(200, manyThings),
});
