import { ArrowLeft } from "lucide-react";

/** The way back from what was chosen to its list, where a narrow screen has room for one of them only. */
export function BackToList({ shown, onBack, children }: { shown: boolean; onBack: () => void; children: string }) {
  if (!shown) return null;
  return (
    <button
      type="button"
      onClick={onBack}
      className="hidden items-center gap-2 border-b border-line px-4 py-2 text-left font-semibold text-green max-md:flex"
    >
      <ArrowLeft size={16} aria-hidden /> Back to the {children}
    </button>
  );
}
