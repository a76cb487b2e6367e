"use client";
import Link from "next/link";
import { Button, buttonClasses } from "@/ui/button";
import { Empty } from "@/ui/empty";

/** Something of ours broke: what is kept, and what to do. */
export default function ErrorPage({ reset }: { error: Error; reset: () => void }) {
  return (
    <Empty title="Something of ours broke">
      <p>What was saved before is kept. Try once more; if it breaks again, go back to where you began.</p>
      <span className="flex gap-2">
        <Button look="main" onClick={reset}>
          Try again
        </Button>
        <Link href="/" className={buttonClasses()}>
          To the beginning
        </Link>
      </span>
    </Empty>
  );
}
