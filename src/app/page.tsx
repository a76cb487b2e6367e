import { redirect } from "next/navigation";
import { enter } from "@/server/web/page";

/** The front door: everybody is shown to where they begin. */
export default async function Home() {
  await enter("find resources");
  redirect("/find");
}
