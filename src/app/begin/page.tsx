import type { Metadata } from "next";
import { redirect } from "next/navigation";
import { countries } from "@/core/locale/names";
import { hasPeople } from "@/data/student/front-door";
import { BeginScreen } from "@/screens/sign-in/begin-screen";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "A new school" };

/** The first page of a new installation; once there is somebody, there is nothing here. */
export default async function BeginPage() {
  const { db } = await enter("begin a school");
  if (await hasPeople(db)) redirect("/sign-in");
  const names = new Intl.DisplayNames("en", { type: "region" });
  // The demo's islands are no country of anybody's.
  const own = countries.filter((code) => code !== "any" && code !== "XS");
  return (
    <BeginScreen
      zones={Intl.supportedValuesOf("timeZone")}
      countries={own
        .map((code) => ({ code, name: names.of(code)! }))
        .sort((one, other) => one.name.localeCompare(other.name))}
    />
  );
}
