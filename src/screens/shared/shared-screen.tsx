import { Link } from "@/ui/link";
import { shelfNames } from "@/core/find/format";
import { formatList } from "@/core/format-list";
import type { SharedThing } from "@/server/share/shared";
import { Empty } from "@/ui/empty";

const offerSays = { waiting: "offered", returned: "sent back", declined: "declined" } as const;

/** "the staffroom, the district shelf (offered); Rona Sundin; a link" */
function formatWhere({ shelves, offers, given, links }: SharedThing): string {
  const said = [
    ...shelves.map((shelf) => shelfNames[shelf]),
    ...offers.map(({ shelf, state }) => `${shelfNames[shelf]} (${offerSays[state as keyof typeof offerSays]})`),
    ...given.slice(0, 3),
    ...(given.length > 3 ? [`${given.length - 3} more colleagues`] : []),
    ...(links > 0 ? [links === 1 ? "a link" : `${links} links`] : []),
  ];
  return said.length === 0 ? "not shared now" : formatList(said);
}

/** Where each of her things stands with others, and how often it is packed, adapted and assigned. */
export function SharedScreen({ things }: { things: SharedThing[] }) {
  return (
    <div className="mx-auto h-full max-w-5xl overflow-auto px-6 py-5">
      <h1 className="font-serif text-[22px]">Shared by me</h1>
      {things.length === 0 ? (
        <Empty title="Nothing yet">Press h on something of yours in the satchel to share it.</Empty>
      ) : (
        <table className="mt-3 w-full text-left">
          <thead>
            <tr className="border-b border-line text-[13px] text-ink-soft">
              <th scope="col" className="py-1.5 pr-4 font-normal">
                What
              </th>
              <th scope="col" className="pr-4 font-normal">
                Where it stands
              </th>
              {["Packed", "Adapted", "Assigned"].map((name) => (
                <th key={name} scope="col" className="w-20 text-right font-normal">
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {things.map((thing) => (
              <tr key={thing.id} className="border-b border-line align-baseline">
                <th scope="row" className="py-2 pr-4 font-semibold">
                  <Link href={`/satchel?open=${thing.id}&do=share`} className="hover:underline">
                    {thing.title}
                  </Link>
                </th>
                <td className="pr-4">{formatWhere(thing)}</td>
                {[thing.uses.packed, thing.uses.adapted, thing.uses.assigned].map((count, at) => (
                  <td key={at} className="numbers text-right">
                    {count > 0 ? count : <span className="text-ink-soft">–</span>}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="mt-3 text-[13px] text-ink-soft">
        Packed, adapted and assigned by others; assigned counts classes. Press a title to take it off a shelf or back
        from somebody.
      </p>
    </div>
  );
}
