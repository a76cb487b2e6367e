"use client";
import { Link } from "@/ui/link";
import { useState } from "react";
import { listedForm } from "@/core/content/listed-form";
import { stateOf, type TeamPart } from "@/core/team/board";
import type { TeamsData } from "@/server/share/team";
import { Button, buttonClasses } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { TextInput } from "@/ui/field";

export interface PartChange {
  maker: number | null;
  begun: boolean;
  resource: number | null;
}

/** One part of one week: who makes it, how far it is, and what was made. */
export function PartDialog({
  title,
  part,
  me,
  members,
  own,
  busy,
  onChange,
  onClose,
}: {
  title: string;
  part: TeamPart;
  me: number;
  members: readonly { id: number; name: string }[];
  own: TeamsData["own"];
  busy: boolean;
  onChange: (to: PartChange) => void;
  onClose: () => void;
}) {
  const [words, setWords] = useState("");
  const [choosing, setChoosing] = useState(false);
  const state = stateOf(part);
  const sought = listedForm(words.trim());
  const fitting = own.filter(({ title: name }) => listedForm(name).includes(sought)).slice(0, 12);
  const give = (maker: number | null, begun = false) => onChange({ maker, begun, resource: null });
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={title}>
      <div className="grid gap-4">
        {part.resource && (
          <p>
            Ready:{" "}
            <Link href={`/find?open=${part.resource.id}`} className="text-green underline">
              {part.resource.title}
            </Link>
            , {part.resource.minutes} min.
          </p>
        )}
        {!part.resource && (
          <fieldset>
            <legend className="mb-1 font-semibold">Who makes it?</legend>
            <div className="flex flex-wrap gap-1.5">
              {members.map(({ id, name }) => (
                <Button
                  key={id}
                  size="small"
                  look={part.maker === id ? "main" : "plain"}
                  aria-pressed={part.maker === id}
                  disabled={busy}
                  onClick={() => give(id, id === me)}
                >
                  {id === me ? "I do" : name}
                </Button>
              ))}
              <Button
                size="small"
                look={part.maker === null ? "main" : "plain"}
                aria-pressed={part.maker === null}
                disabled={busy}
                onClick={() => give(null)}
              >
                Nobody yet
              </Button>
            </div>
            {part.maker === me && state === "asked" && (
              <Button className="mt-3" disabled={busy} onClick={() => give(me, true)}>
                I am working on it
              </Button>
            )}
          </fieldset>
        )}
        {choosing ? (
          <fieldset className="grid gap-1">
            <legend className="mb-1 font-semibold">What is ready?</legend>
            <TextInput
              autoFocus
              type="search"
              aria-label="Find one of yours"
              placeholder="a title …"
              value={words}
              maxLength={120}
              onChange={(event) => setWords(event.target.value)}
            />
            <ul className="max-h-60 overflow-auto">
              {fitting.map(({ id, title: name, minutes }) => (
                <li key={id}>
                  <button
                    type="button"
                    disabled={busy}
                    onClick={() => onChange({ maker: me, begun: true, resource: id })}
                    className="flex w-full gap-3 rounded-card px-2 py-1.5 text-left hover:bg-green-wash"
                  >
                    <span className="min-w-0 flex-1">{name}</span>
                    <span className="numbers text-[13px] text-ink-soft">{minutes} min</span>
                  </button>
                </li>
              ))}
              {fitting.length === 0 && (
                <li className="px-2 text-ink-soft">
                  {own.length === 0
                    ? "You have published nothing yet. Make it in your satchel, publish it, then put it in here."
                    : "Nothing of yours is called that."}
                </li>
              )}
            </ul>
          </fieldset>
        ) : (
          <div className="flex flex-wrap justify-end gap-2">
            <Link href="/satchel" className={buttonClasses()}>
              Make it in my satchel
            </Link>
            <Button look={part.resource ? "plain" : "main"} onClick={() => setChoosing(true)}>
              {part.resource ? "Put in something else …" : "It is ready …"}
            </Button>
            {part.resource && (
              <Button disabled={busy} onClick={() => give(part.maker, true)}>
                Not ready after all
              </Button>
            )}
          </div>
        )}
      </div>
    </Dialog>
  );
}
