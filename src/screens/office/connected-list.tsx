import { Unplug } from "lucide-react";
import { Button } from "@/ui/button";

/** What the school has connected, each with a way to disconnect it. */
export function ConnectedList({
  label,
  connected,
  busy,
  onDisconnect,
}: {
  label: string;
  connected: readonly { id: number; name: string; issuer: string }[];
  busy: boolean;
  onDisconnect: (one: { id: number; name: string }) => void;
}) {
  return (
    <ul className="mt-2 grid gap-2" aria-label={label}>
      {connected.map((one) => (
        <li key={one.id} className="flex flex-wrap items-center gap-3">
          <span className="min-w-0 flex-1">
            {one.name} <span className="text-[13px] [overflow-wrap:anywhere] text-ink-soft">{one.issuer}</span>
          </span>
          <Button size="small" disabled={busy} onClick={() => onDisconnect(one)}>
            <Unplug size={14} aria-hidden /> Disconnect
          </Button>
        </li>
      ))}
    </ul>
  );
}
