import Link from "next/link";
import { Empty } from "@/ui/empty";

export default function NotYours() {
  return (
    <main className="finger-size mx-auto max-w-xl px-4 py-10 font-child text-[17px]">
      <Empty title="This work is not for you">
        <p>It may be for another class, or your teacher has taken it back. Ask your teacher.</p>
        <Link
          href="/student"
          className="inline-grid min-h-12 place-items-center rounded-card border-2 border-green px-6 font-bold text-green"
        >
          My work
        </Link>
      </Empty>
    </main>
  );
}
