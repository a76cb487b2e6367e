"use client";
import { Link } from "@/ui/link";
import { Button, buttonClasses } from "@/ui/button";
import { Empty } from "@/ui/empty";

/** Something went wrong: what is kept, and what to do. */
export default function ErrorPage({ reset }: { error: Error; reset: () => void }) {
  return (
    <Empty title="Something went wrong">
      <p>What you had saved is safe. Try again; if it happens again, go back to the start.</p>
      <span className="flex gap-2">
        <Button look="main" onClick={reset}>
          Try again
        </Button>
        <Link href="/" className={buttonClasses()}>
          Go to the start
        </Link>
      </span>
    </Empty>
  );
}
