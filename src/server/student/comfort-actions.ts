"use server";
import { Comfort } from "@/core/student/comfort";
import { setComfort } from "@/data/student/comfort";
import { act } from "../web/act";

/** How a child likes to read, kept with her on every device. */
export const keepComfort = act("see own work", Comfort, async ({ db, visitor }, comfort) => {
  await setComfort(db, visitor.id, comfort);
  return {};
});
