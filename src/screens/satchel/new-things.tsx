import { FileUp, PackageOpen, Plus } from "lucide-react";
import Link from "next/link";
import { Button, buttonClasses } from "@/ui/button";

/** How something new comes into the satchel: made, from a file of hers, or from a package. */
export const NewThings = ({ onMake }: { onMake: () => void }) => (
  <>
    <Button size="small" onClick={onMake}>
      <Plus size={15} aria-hidden /> Make new
    </Button>
    <Link
      href="/satchel/bring-in"
      title="Bring in slides, a document, a book or a web page"
      className={buttonClasses("plain", "small")}
    >
      <FileUp size={15} aria-hidden /> Bring in
    </Link>
    <Link
      href="/satchel/package"
      aria-label="Take it along, bring it in"
      title="Take everything of mine along as one file, or bring such a file in"
      className={buttonClasses("plain", "small")}
    >
      <PackageOpen size={15} aria-hidden />
    </Link>
  </>
);
