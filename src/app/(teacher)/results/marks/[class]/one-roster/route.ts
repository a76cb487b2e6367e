import { notFound } from "next/navigation";
import { writeRosterResults } from "@/formats/one-roster-results";
import { rosterResultsOf } from "@/server/results/mark-table-file";
import { asAttachment } from "@/server/web/send-stream";
import { numberFrom, route } from "@/server/web/route";

/** A class's marks for a school's register: OneRoster 1.2. */
export const GET = route(
  "see marks",
  (params) => ({ class: numberFrom(params, "class") }),
  async ({ db, visitor, now, params, request }) => {
    const results = await rosterResultsOf(db, visitor, params.class, new URL(request.url).searchParams, now);
    if (!results) notFound();
    return new Response(Buffer.from(await writeRosterResults(results)), {
      headers: { "content-type": "application/zip", "content-disposition": asAttachment("one-roster-results.zip") },
    });
  },
);
