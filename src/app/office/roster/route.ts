import { UnreadableFile } from "@/server/web/read-file";
import { route } from "@/server/web/route";
import { schoolOf } from "@/server/office/school-of";
import { bringInRoster, lookAtRoster, readSchoolRoster } from "@/server/office/school-roster";
import { refuse } from "@/server/web/refuse";

const LARGEST = 20_000_000;

/** Takes a roster as a OneRoster zip or a table. Without `?apply=1` it only says what would change; `?school=` chooses one of several. */
export const POST = route(
  "change the school's roster",
  () => ({}),
  async ({ db, visitor, now, request }) => {
    const bytes = new Uint8Array(await request.arrayBuffer());
    if (bytes.length > LARGEST) return refuse(413, "tooLarge", { megabytes: 20 });
    const asked = new URL(request.url).searchParams;
    const apply = asked.get("apply") === "1";
    try {
      const to = { district: visitor.district, school: schoolOf(visitor), year: now.getFullYear() };
      const read = await readSchoolRoster(bytes, asked.get("name") ?? "", asked.get("school"));
      return Response.json(
        apply
          ? await bringInRoster(db, to, read, { by: visitor.id, at: now })
          : await lookAtRoster(db, to.school, read),
      );
    } catch (error) {
      if (!(error instanceof UnreadableFile)) throw error;
      return refuse(422, "errorNothingChanged", { message: error.message });
    }
  },
);
