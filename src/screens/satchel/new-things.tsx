import { FileUp, Plus } from "lucide-react";
import { Link } from "@/ui/link";
import { Button, buttonClasses } from "@/ui/button";

/** How something new comes into the satchel: made, or from a file of hers. */
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
  </>
);
