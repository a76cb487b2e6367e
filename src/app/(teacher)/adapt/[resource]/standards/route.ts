import { z } from "zod";
import { idFrom } from "@/core/ids";
import { frameworksOf, standardsLike, standardsNamed, treeOf } from "@/data/find/standards";
import { readerOf } from "@/server/find/reader";
import { route } from "@/server/web/route";

const MOST_OFFERED = 8;
const Asked = z.discriminatedUnion("ask", [
  z.object({
    ask: z.literal("like"),
    words: z.array(z.string().max(60)).max(60),
    grades: z.object({ from: z.number().int(), to: z.number().int() }),
  }),
  z.object({
    ask: z.literal("named"),
    named: z.array(z.object({ framework: z.string().max(80), code: z.string().max(80) })).max(40),
  }),
  /** The frameworks there are, and the tree of one of them: the one asked for, or one the resource names already, or the first. */
  z.object({
    ask: z.literal("tree"),
    framework: z.number().int().nullable(),
    named: z.array(z.string().max(80)).max(40),
  }),
]);

/** Standards to align what is being made to: by words, by what it names already, and from the tree. */
export const POST = route(
  "edit resource",
  ({ resource }) => ({ resource: idFrom(resource) ?? -1 }),
  async ({ db, visitor, body }) => {
    if (body.ask === "like")
      return Response.json({
        offers: await standardsLike(db, visitor.district, { ...body, limit: MOST_OFFERED }),
      });
    if (body.ask === "named") return Response.json({ offers: await standardsNamed(db, visitor.district, body.named) });
    const frameworks = await frameworksOf(db, visitor.district);
    const { framework, named } = body;
    const chosen =
      frameworks.find(({ id }) => id === framework) ??
      frameworks.find(({ uri, name }) => named.includes(uri) || named.includes(name)) ??
      frameworks[0] ??
      null;
    const tree = chosen ? await treeOf(db, await readerOf(db, visitor), chosen.id) : [];
    return Response.json({ frameworks, chosen: chosen?.id ?? null, tree });
  },
  Asked,
);
