"use client";
import { useRouter } from "next/navigation";
import { licenceNames, licencesForAdaptation } from "@/core/licence/licence";
import { othersSpeak } from "@/core/resource/voices";
import type { LightTableData } from "@/server/find/light-table";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";

/** Somebody else's is never edited: a copy is proposed, and what may be done with it is said before it is made. */
export function AdaptDialog({
  data,
  open,
  onOpenChange,
  busy,
  toward = "",
  onCopy,
}: {
  data: LightTableData;
  open: boolean;
  onOpenChange: (open: boolean) => void;
  busy: boolean;
  /** Where in her version she goes: "/run-sheet"; empty: to its steps. */
  toward?: string;
  onCopy: (voices?: "none") => void;
}) {
  const router = useRouter();
  const { ownerName } = data.resource;
  const { licence } = data.document;
  const [version] = data.myVersions;
  const spoken = othersSpeak(data.document, 0);
  const shareable = licencesForAdaptation(licence).length > 0;
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title={version === undefined ? "Make a copy of your own?" : "You already have a version of this"}
    >
      <p>
        This is {ownerName}’s and stays as it is, for {ownerName} and for every class that has it. You change a copy;{" "}
        {ownerName} is named in it, and you are told when there is a new revision.
      </p>
      <p className="mt-2 text-ink-soft">
        {licenceNames[licence]}:{" "}
        {shareable
          ? "you may share what you make of it, under the same terms or stricter ones."
          : "what you make of it stays with you and your classes."}
      </p>
      <div className="mt-5 flex justify-end gap-2">
        {version === undefined ? (
          <>
            {spoken && (
              <Button disabled={busy} onClick={() => onCopy("none")}>
                Copy it without any voice
              </Button>
            )}
            <Button look="main" autoFocus disabled={busy} onClick={() => onCopy()}>
              {busy ? "One moment …" : "Make my copy"}
            </Button>
          </>
        ) : (
          <>
            <Button onClick={() => onCopy()} disabled={busy}>
              Start another
            </Button>
            <Button look="main" autoFocus onClick={() => router.push(`/adapt/${version}${toward}`)}>
              Go on with mine
            </Button>
          </>
        )}
      </div>
    </Dialog>
  );
}
