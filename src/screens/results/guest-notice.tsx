"use client";
import { UserPlus } from "lucide-react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { moveGuestWork } from "@/screens/acts/guests";
import { Button } from "@/ui/button";
import { inputClasses } from "@/ui/field";
import { tell, tellProblem } from "@/ui/toast";

type Named = { id: number; name: string };

/** Guests who did the work: what one did can become a student's. */
export function GuestNotice({
  assignment,
  guests,
  free,
}: {
  assignment: number;
  guests: readonly Named[];
  /** Students who have it and have not begun. */
  free: readonly Named[];
}) {
  const router = useRouter();
  const [to, setTo] = useState<Record<number, number>>({});
  if (guests.length === 0) return null;
  const move = async (guest: Named, student: Named, back = false): Promise<void> => {
    const outcome = await moveGuestWork({ assignment, guest: guest.id, student: student.id, back });
    if (!outcome.ok) return tellProblem(outcome.problem);
    router.refresh();
    if (!back) tell(`What ${guest.name} did is ${student.name}’s now.`, () => void move(guest, student, true));
  };
  return (
    <section
      aria-label="Guests"
      className="not-printed flex flex-wrap items-center gap-x-5 gap-y-2 border-t border-line bg-shade/60 px-5 py-2 text-[13px]"
    >
      <UserPlus size={15} aria-hidden className="text-ink-soft" />
      {guests.map((guest) => {
        const chosen = free.find(({ id }) => id === to[guest.id]);
        return (
          <div key={guest.id} className="flex min-w-0 flex-wrap items-center gap-2">
            <strong className="max-w-48 truncate" title={guest.name}>
              {guest.name}
            </strong>
            <span>came as a guest. Who is it?</span>
            <select
              aria-label={`Who ${guest.name} really is`}
              className={`${inputClasses} !w-52`}
              value={to[guest.id] ?? ""}
              onChange={(event) => setTo({ ...to, [guest.id]: Number(event.target.value) })}
            >
              <option value="">no one in this class</option>
              {free.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
            </select>
            <Button size="small" disabled={!chosen} onClick={() => chosen && void move(guest, chosen)}>
              Move the work
            </Button>
          </div>
        );
      })}
    </section>
  );
}
