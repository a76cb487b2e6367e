import { classCalendar } from "@/server/classes/class-calendar";
import { feedOf } from "@/data/classes/feeds";
import { teachesClass } from "@/data/classes/classes";
import { baseAddress } from "@/server/web/base-address";
import { route } from "@/server/web/route";
import { tokenHash } from "@/server/web/secrets";
import { refuse } from "@/server/web/refuse";

/** A class's calendar by its secret address: anyone who has the address may read it, until it is ended or she leaves the class. */
export const GET = route(
  "read a calendar by its address",
  () => ({}),
  async ({ db, now, params }) => {
    const feed = await feedOf(db, tokenHash((params.token ?? "").replace(/\.ics$/, "")));
    if (!feed || !(await teachesClass(db, feed.person, feed.class, now))) return refuse(404, "nothingHere");
    return new Response(await classCalendar(db, feed.class, await baseAddress(), now), {
      headers: { "content-type": "text/calendar; charset=utf-8", "cache-control": "private, max-age=600" },
    });
  },
);
