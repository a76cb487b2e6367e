import type { HomeActivity } from "@/core/results/family-letter";
import { factsOf } from "@/core/resource/facts";
import { publishedOf } from "@/data/engine/read-once";
import { resourcesAssignedTo } from "@/data/assign/resources-assigned";
import type { Db } from "@/data/engine/db";

/** As many as there is room for in a list to choose from. */
const MOST = 40;

/** What a class has had, the newest first: a letter may ask to do one of them at home. */
export async function homeActivities(db: Db, group: number): Promise<HomeActivity[]> {
  const ids = await resourcesAssignedTo(db, group, MOST);
  const heads = await publishedOf(db, ids);
  return ids.flatMap((resource) => {
    const document = heads.get(resource)?.document;
    if (!document) return [];
    const { languages, title } = document;
    return [{ resource, languages, title, minutes: factsOf(document).minutes }];
  });
}
