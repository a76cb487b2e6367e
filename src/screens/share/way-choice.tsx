import type { ShareWay } from "@/core/sharing/link";
import { Segmented } from "@/ui/segmented";

/** Whether others may only look, or copy it as well. */
export function WayChoice({ way, onWay }: { way: ShareWay; onWay: (way: ShareWay) => void }) {
  return (
    <Segmented
      label="What they may do"
      value={way}
      onChange={onWay}
      options={[
        { value: "copy", text: "Look and copy" },
        { value: "look", text: "Look only" },
      ]}
    />
  );
}
