import Link from "next/link";
import { buttonClasses } from "@/ui/button";
import { Empty } from "@/ui/empty";

export default function NotFound() {
  return (
    <Empty title="This is not here">
      <p>It was taken away, or it is not yours to see.</p>
      <Link href="/" className={buttonClasses()}>
        To the beginning
      </Link>
    </Empty>
  );
}
