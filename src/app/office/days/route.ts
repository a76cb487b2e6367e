import { addDays, schoolClock } from "@/core/calendar/school-calendar";
import { readFile, UnreadableFile } from "@/server/web/read-file";
import { route } from "@/server/web/route";
import { refuse } from "@/server/web/refuse";

const LARGEST = 2_000_000;
const DAYS_BACK = 30;
const DAYS_ON = 550;

/** Reads days off from an iCalendar file, to be looked at before they are kept. Changes nothing. */
export const POST = route(
  "change the school's calendar",
  () => ({}),
  async ({ visitor, now, request }) => {
    const text = await request.text();
    if (text.length > LARGEST) return refuse(413, "tooLarge", { megabytes: 2 });
    const today = schoolClock(now, visitor.zone).date;
    try {
      return Response.json(await readFile("days off", text, addDays(today, -DAYS_BACK), addDays(today, DAYS_ON)));
    } catch (error) {
      if (!(error instanceof UnreadableFile)) throw error;
      return refuse(422, "errorNothingChanged", { message: error.message });
    }
  },
);
