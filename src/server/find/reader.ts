import { cache } from "react";
import type { Db } from "@/data/engine/db";
import type { Reader } from "@/data/find/reach";
import { satchelIds } from "@/data/satchel/satchel";
import type { Visitor } from "../web/session";

/** A visitor as the search knows her; asked for once in a request. */
export const readerOf = cache(async (db: Db, visitor: Visitor): Promise<Reader> => {
  return {
    id: visitor.id,
    school: visitor.school,
    district: visitor.district,
    satchel: await satchelIds(db, visitor.id),
  };
});
