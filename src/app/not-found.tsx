import { Link } from "@/ui/link";
import { buttonClasses } from "@/ui/button";
import { Empty } from "@/ui/empty";

export default function NotFound() {
  return (
    <Empty title="This is not here">
      <p>It was removed, or you do not have access to it.</p>
      <Link href="/" className={buttonClasses()}>
        Go to the start
      </Link>
    </Empty>
  );
}
