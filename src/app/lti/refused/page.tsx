import type { Metadata } from "next";
import { enter } from "@/server/web/page";
import { Empty } from "@/ui/empty";

export const metadata: Metadata = { title: "This did not work" };

const reasons = {
  unknown: {
    title: "This course site is not connected",
    text: "Ask the school office to connect it. They find it under “Course site”.",
  },
  who: {
    title: "We could not find you",
    text: "The course site knows you, but you are not on this school’s list yet. Ask your teacher or the school office. You can still sign in here.",
  },
  expired: {
    title: "That took too long",
    text: "The link from your course works once, for a few minutes. Go back to the course and press it again.",
  },
} as const;

export default async function RefusedPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  await enter("come in from another system");
  const { why } = await searchParams;
  const { title, text } = reasons[why === "who" || why === "expired" ? why : "unknown"];
  return (
    <main className="grid min-h-dvh place-items-center">
      <Empty title={title}>
        <p>{text}</p>
        <a href="/sign-in" className="font-semibold underline">
          Sign in
        </a>
      </Empty>
    </main>
  );
}
