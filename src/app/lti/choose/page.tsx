import type { Metadata } from "next";
import { addDays, schoolClock } from "@/core/calendar/school-calendar";
import { classesOf } from "@/data/classes/classes";
import { choiceOf } from "@/data/lti/logins";
import { courseById } from "@/data/lti/systems";
import { ChooseScreen } from "@/screens/lti/choose-screen";
import { listedSatchel } from "@/server/satchel/listed-satchel";
import { enter } from "@/server/web/page";
import { tokenHash } from "@/server/web/secrets";
import { Empty } from "@/ui/empty";

export const metadata: Metadata = { title: "Choose from your satchel" };

const USUAL_DAYS = 7;

/** Inside a course there: she chooses what goes into it. */
export default async function ChoosePage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { db, visitor, now } = await enter("choose for a course");
  const { for: token } = await searchParams;
  const choosing =
    typeof token === "string" && token.length <= 100
      ? await choiceOf(db, tokenHash(token), visitor.id, now)
      : undefined;
  const course = choosing && (await courseById(db, choosing.course));
  if (!choosing || !course)
    return (
      <main className="grid min-h-dvh place-items-center">
        <Empty title="This choice is over">
          <p>Go back to the course and begin again.</p>
        </Empty>
      </main>
    );
  const [{ items }, classes] = await Promise.all([listedSatchel(db, visitor, {}, now), classesOf(db, visitor.id, now)]);
  return (
    <ChooseScreen
      token={token as string}
      course={course.title}
      several={choosing.several}
      classes={classes.map(({ id, name }) => ({ id, name }))}
      current={course.class}
      due={addDays(schoolClock(now, visitor.zone).date, USUAL_DAYS)}
      items={items.map(({ id, author, facts }) => ({ id, author, title: facts.title, minutes: facts.minutes }))}
    />
  );
}
