import { clsx } from "clsx";
import { Link } from "@/ui/link";

const places = [
  { address: "/results", text: "Work" },
  { address: "/results/coverage", text: "Coverage" },
  { address: "/results/marks", text: "Marks" },
  { address: "/results/student", text: "A student" },
  { address: "/results/portfolio", text: "Portfolio" },
] as const;

/** Between a piece of work and what there is over weeks. */
export function ResultsPlaces({ here }: { here: (typeof places)[number]["address"] }) {
  return (
    <nav aria-label="Results" className="not-printed flex flex-wrap gap-0.5 text-[13px]">
      {places.map(({ address, text }) => (
        <Link
          key={address}
          href={address}
          aria-current={address === here ? "page" : undefined}
          className={clsx(
            "rounded-card px-1.5 py-1 whitespace-nowrap",
            address === here ? "bg-card font-semibold" : "text-ink-soft hover:bg-card/60 hover:text-ink",
          )}
        >
          {text}
        </Link>
      ))}
    </nav>
  );
}
