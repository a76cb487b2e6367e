"use client";
import { Dices, UserCheck } from "lucide-react";
import { useState } from "react";
import type { SheetLine } from "@/core/run-sheet/schema";
import { callToBoard } from "@/screens/acts/board";
import { Button } from "@/ui/button";
import { inputClasses } from "@/ui/field";
import { tellProblem } from "@/ui/toast";
import { useOnce } from "../use-once";

/** Who comes to the board for a line: named, by turns or drawn; and somebody else with another press. */
export function WhoComes({
  assignment,
  line,
  room,
}: {
  assignment: number;
  line: SheetLine;
  room: readonly { student: number; name: string }[];
}) {
  const [called, setCalled] = useState<{ turn: number; name: string } | null>(null);
  const [busy, once] = useOnce();
  const { who: how } = line;
  if (!how) return null;
  const call = (student?: number) =>
    once(async () => {
      const outcome = await callToBoard({
        assignment,
        how,
        instead: called?.turn ?? null,
        ...(student && { student }),
      });
      if (outcome.ok) setCalled(outcome.value);
      else tellProblem(outcome.problem);
    });
  return (
    <span className="inline-flex items-center gap-1.5">
      {called && (
        <strong role="status" className="text-green">
          {called.name}
        </strong>
      )}
      {how === "named" ? (
        <span className="inline-flex items-center gap-1 text-[13px]">
          <UserCheck size={13} aria-hidden />
          <select
            aria-label="Who comes to the board"
            className={`${inputClasses} !w-36 !py-0`}
            disabled={busy}
            value=""
            onChange={(event) => void call(Number(event.target.value))}
          >
            <option value="">{called ? "Somebody else …" : "Name a child …"}</option>
            {room.map(({ student, name }) => (
              <option key={student} value={student}>
                {name}
              </option>
            ))}
          </select>
        </span>
      ) : (
        <Button size="small" disabled={busy} onClick={() => void call()}>
          <Dices size={13} aria-hidden /> {called ? "Somebody else" : how === "lot" ? "Draw" : "Whose turn?"}
        </Button>
      )}
    </span>
  );
}
