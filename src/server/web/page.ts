import { notFound, redirect } from "next/navigation";
import { connection } from "next/server";
import type { Db } from "@/data/engine/db";
import { database, databaseToRead } from "./database";
import { permissions, permit, type About, type AboutOf, type Act, type ActAlone } from "./permissions";
import { currentVisitor, type Visitor } from "./session";

/**
 * Asked by every page before it reads anything: who is there, and may they? Nobody signed in goes to the sign-in page;
 * somebody who may not sees what one sees for a thing that does not exist.
 */
export async function enter<Name extends Act>(
  permission: Name,
  ...[said]: Name extends ActAlone ? [] : [AboutOf<Name>]
): Promise<{ db: Db; visitor: Visitor; now: Date }> {
  const about: About = said ?? {};
  // Nothing here may run while the application is being built: the database belongs to the one that serves.
  await connection();
  const [db, visitor, now] = [await database(), await currentVisitor(), new Date()];
  // Who may what is asked of the server itself: what was taken away a moment ago is taken away.
  if (await permit(db, visitor, permission, about, now))
    return { db: await databaseToRead(permission), visitor: visitor!, now };
  // A link to a piece of work leads a student through signing in to the thing.
  if (!visitor && about.assignment !== undefined && permissions[permission].who === "student")
    redirect(`/join?to=${about.assignment}`);
  if (!visitor) redirect("/sign-in");
  // A student on a teacher's page, or the other way round, is shown home.
  if (permission === "see own work") redirect("/find");
  // A curator who does not teach has the desk.
  if (
    !visitor.roles.includes("teacher") &&
    visitor.roles.includes("curator") &&
    permissions[permission].who === "teacher"
  )
    redirect("/desk");
  // Somebody of an office who does not teach has a place of her own.
  if (
    !visitor.roles.includes("teacher") &&
    visitor.roles.includes("office") &&
    (permissions[permission].who === "teacher" || permissions[permission].who === "teacher or curator")
  )
    redirect("/office");
  if (visitor.kind === "student" && permissions[permission].who !== "student") redirect("/student");
  notFound();
}
