import { classCalendar } from "@/server/classes/class-calendar";
import { baseAddress } from "@/server/web/base-address";
import { numberFrom, route } from "@/server/web/route";

/** What the class has, as a file to keep. */
export const GET = route(
  "see class",
  (params) => ({ class: numberFrom(params, "class") }),
  async ({ db, now, params }) =>
    new Response(await classCalendar(db, numberFrom(params, "class"), await baseAddress(), now), {
      headers: {
        "content-type": "text/calendar; charset=utf-8",
        "content-disposition": 'attachment; filename="class.ics"',
      },
    }),
);
