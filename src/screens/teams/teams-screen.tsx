"use client";
import { Pencil, Plus } from "lucide-react";
import { Link } from "@/ui/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { z } from "zod";
import type { TeamInput } from "@/core/sharing/inputs";
import { changeTeam, makeTeam } from "@/screens/acts/team";
import type { TeamsData } from "@/server/share/team";
import { Button, buttonClasses } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { Empty } from "@/ui/empty";
import { useDone } from "../use-done";
import { Board } from "./team-board";
import { TeamForm, type TeamDraft } from "./team-form";

const firstDraft = (me: number): TeamDraft => ({
  name: "",
  people: [me],
  lines: ["Reading", "Practice", "Exit questions"].map((name) => ({ id: null, name })),
});

/** Her teams: a board of weeks by parts of the work, each with who makes it and how far it is. */
export function TeamsScreen({ data, current, now }: { data: TeamsData; current: number | null; now: Date }) {
  const router = useRouter();
  const done = useDone();
  const [form, setForm] = useState<"new" | "change" | null>(null);
  const { board, me, teams } = data;
  const people = board
    ? [...board.team.members.map((one) => ({ ...one, school: null })), ...data.colleagues].filter(
        (one, at, all) => all.findIndex(({ id }) => id === one.id) === at,
      )
    : data.colleagues;
  const save = async (draft: z.infer<typeof TeamInput>) => {
    const outcome = form === "new" ? await makeTeam(draft) : await changeTeam({ team: board!.team.id, ...draft });
    if (!outcome.ok) return outcome;
    setForm(null);
    if ("team" in outcome.value) return router.push(`/teams?team=${outcome.value.team}`);
    if (outcome.value.left) router.push("/teams");
    done(outcome.value.left ? "You have left the team." : "Saved.", outcome.value.event);
  };
  return (
    <div className="flex h-full flex-col px-6 py-5">
      <header className="flex flex-wrap items-center gap-2 pb-3">
        <h1 className="mr-3 font-serif text-[22px]">Teams</h1>
        {teams.length > 1 &&
          teams.map(({ id, name }) => (
            <Link
              key={id}
              href={`/teams?team=${id}`}
              aria-current={board?.team.id === id ? "page" : undefined}
              className={buttonClasses(board?.team.id === id ? "main" : "plain", "small")}
            >
              {name}
            </Link>
          ))}
        <span className="flex-1" />
        {board && (
          <Button size="small" onClick={() => setForm("change")}>
            <Pencil size={14} aria-hidden /> People and parts
          </Button>
        )}
        <Button size="small" onClick={() => setForm("new")}>
          <Plus size={14} aria-hidden /> New team
        </Button>
      </header>
      {board ? (
        <Board key={board.team.id} data={data} board={board} current={current} now={now} />
      ) : (
        <Empty title="You are in no team yet">
          A team shares out the work: who makes what for which week. Make one, and choose who is in it.
        </Empty>
      )}
      {form && (
        <Dialog
          open
          onOpenChange={(open) => !open && setForm(null)}
          title={form === "new" ? "New team" : "People and parts"}
        >
          <TeamForm
            start={
              form === "new"
                ? firstDraft(me)
                : {
                    name: board!.team.name,
                    people: board!.team.members.map(({ id }) => id),
                    lines: board!.team.lines,
                  }
            }
            people={form === "new" ? [{ id: me, name: "You", school: null }, ...data.colleagues] : people}
            saveText={form === "new" ? "Make the team" : "Save"}
            onSave={save}
          />
        </Dialog>
      )}
    </div>
  );
}
