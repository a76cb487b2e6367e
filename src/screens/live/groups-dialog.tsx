"use client";
import { useEffect, useState } from "react";
import { liveGroups, type LiveRule } from "@/core/roster/lesson-groups";
import type { LiveWork } from "@/core/live/lesson";
import { isIn, type Seated } from "@/core/live/room";
import { workNames } from "@/core/resource/work";
import { works } from "@/core/content/vocabulary";
import { lookAtGrouping } from "@/screens/acts/lead";
import type { Grouping } from "@/server/live/lead-actions";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Dialog } from "@/ui/dialog";
import { inputClasses } from "@/ui/field";
import { Notice } from "@/ui/notice";
import { Segmented } from "@/ui/segmented";
import { NumberBox } from "../adapt/editors/number-box";
import { GroupBox, Members, rules, useGroupMoves, type Group } from "../classes/group-boxes";
import { Carrying } from "../shell/carrying";

type Mode = LiveWork["mode"];

interface Props {
  room: readonly Seated[];
  now: number | null;
  /** How it is worked on now; null: as the lesson says, which is `planned`. */
  work: LiveWork | null;
  planned: Mode;
  assignment: number;
  onWork: (work: LiveWork | null) => void;
  onClose: () => void;
}

const namesOf = (groups: readonly (readonly number[])[]): Group[] =>
  groups.map((students, at) => ({ name: `Group ${at + 1}`, students: [...students] }));

/** How the step is worked on from now on, and who works with whom. */
export function GroupsDialog(props: Props) {
  return (
    <Carrying>
      <Dialog open wide onOpenChange={(open) => !open && props.onClose()} title="How they work on this step">
        <Groups {...props} />
      </Dialog>
    </Carrying>
  );
}

function Groups({ room, now, work, planned, assignment, onWork, onClose }: Props) {
  const [mode, setMode] = useState<Mode>(work?.mode ?? planned);
  const [size, setSize] = useState(3);
  const [rule, setRule] = useState<LiveRule>("by seats");
  const [onlyHere, setOnlyHere] = useState(true);
  const [onBoard, setOnBoard] = useState(work?.onBoard ?? true);
  const [shared, setShared] = useState(work?.shared ?? false);
  /** One page for the whole class is asked about once more. */
  const [sure, setSure] = useState(false);
  const [groups, setGroups] = useState<Group[]>(
    namesOf((work?.groups ?? []).map((group) => group.map(({ student }) => student))),
  );
  const [together, setTogether] = useState<readonly (readonly [number, number])[]>([]);
  const [found, setFound] = useState<Grouping | null>(null);
  useEffect(() => {
    void lookAtGrouping({ assignment }).then((outcome) => outcome.ok && setFound(outcome.value));
  }, [assignment]);
  const move = useGroupMoves(setGroups);
  const here = room.filter((one) => !onlyHere || (now !== null && isIn(one, now)));
  const grouped = mode === "pairs" || mode === "groups";
  const measured = new Map(found?.students.map((one) => [one.id, one]));
  const entry = ({ student, name }: Seated) => ({
    ...{ id: student, name },
    readingGrade: measured.get(student)?.readingGrade ?? null,
  });
  const byId = new Map(room.map((one) => [one.student, one]));
  const entryById = (id: number) => (byId.has(id) ? [entry(byId.get(id)!)] : []);
  const make = () => {
    const made = liveGroups(
      here.map((one) => ({
        ...{ id: one.student, seat: one.seat, lastResult: measured.get(one.student)?.lastResult ?? null },
        readingGrade: measured.get(one.student)?.readingGrade ?? null,
      })),
      mode === "pairs" ? 2 : size,
      rule,
      found?.apart ?? [],
      Math.random,
    );
    setTogether(made.together);
    setGroups(namesOf(made.groups));
  };
  const onePage = mode === "class" && shared;
  const loose = here.filter(({ student }) => !groups.some((group) => group.students.includes(student)));
  const name = (id: number) => byId.get(id)?.name ?? "";
  const use = () => {
    const members = groups
      .map(({ students }) =>
        students.filter((id) => byId.has(id)).map((student) => ({ student, name: name(student).split(" ")[0]! })),
      )
      .filter((group) => group.length > 0);
    if (onePage && !sure) return setSure(true);
    const together = mode !== "alone" && shared;
    onWork({ mode, onBoard, groups: grouped ? members : [], shared: together, frozen: false });
    onClose();
  };
  return (
    <div className="grid gap-4">
      <Segmented
        label="How"
        value={mode}
        options={works.map((value) => ({ value, text: workNames[value] }))}
        onChange={(next) => {
          setMode(next);
          setSure(false);
        }}
      />
      {grouped && (
        <>
          <div className="flex flex-wrap items-center gap-2">
            {mode === "groups" && (
              <>
                <span>groups of</span>
                <NumberBox
                  aria-label="How many in a group"
                  least={2}
                  most={8}
                  whole
                  className="!w-16"
                  value={size}
                  onNumber={setSize}
                />
              </>
            )}
            <select
              aria-label="How they are made"
              className={`${inputClasses} !w-auto`}
              value={rule}
              onChange={(event) => setRule(event.target.value as LiveRule)}
            >
              <option value="by seats">by where they sit</option>
              {rules.map(({ value, text }) => (
                <option key={value} value={value}>
                  {text}
                </option>
              ))}
            </select>
            <Button onClick={make} disabled={here.length === 0}>
              {mode === "pairs" ? "Make pairs" : "Make groups"}
            </Button>
            {found && found.saved.length > 0 && (
              <Button
                onClick={() => {
                  setTogether([]);
                  const there = new Set(here.map(({ student }) => student));
                  setGroups(
                    found.saved.map((group) => ({
                      name: group.name,
                      students: group.students.filter((id) => there.has(id)),
                    })),
                  );
                }}
              >
                My saved groups
              </Button>
            )}
            <label className="ml-auto flex items-center gap-2">
              <Checkbox label="Only those who are here" checked={onlyHere} onChange={setOnlyHere} /> only those who are
              here
            </label>
          </div>
          {together.length > 0 && (
            <Notice tone="warning">
              {together.map(([one, other]) => `${name(one)} and ${name(other)}`).join(", ")} should not be together.
              Move one of them.
            </Notice>
          )}
          <div className="grid max-h-[45vh] grid-cols-[repeat(auto-fill,minmax(12rem,1fr))] items-start gap-2 overflow-auto">
            {groups.map((group, at) => (
              <GroupBox key={at} id={at} name={group.name} className="!p-2">
                <h3 className="mb-1 text-[13px] font-semibold">{group.name}</h3>
                <Members students={group.students.flatMap(entryById)} groups={groups} at={at} onMove={move} />
              </GroupBox>
            ))}
            {groups.length > 0 && loose.length > 0 && (
              <GroupBox id={null} name="no group" className="border-dashed !p-2">
                <h3 className="mb-1 text-[13px] font-semibold">In no group</h3>
                <Members students={loose.map(entry)} groups={groups} at={null} onMove={move} />
              </GroupBox>
            )}
          </div>
        </>
      )}
      {onePage && sure && (
        <Notice tone="warning">
          All {here.length} children will write on one page at the same time. You can pause writing, undo what was
          written, or split the class into groups at any time. Press the button again to start.
        </Notice>
      )}
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        {mode !== "alone" && (
          <label className="flex items-center gap-2">
            <Checkbox
              label="They write on one page together"
              checked={shared}
              onChange={(next) => {
                setShared(next);
                setSure(false);
              }}
            />{" "}
            {mode === "class"
              ? "all write on one page"
              : mode === "pairs"
                ? "each pair shares one page"
                : "each group shares one page"}
          </label>
        )}
        {grouped && (
          <label className="flex items-center gap-2">
            <Checkbox label="Show the groups on the board" checked={onBoard} onChange={setOnBoard} /> show the groups on
            the board
          </label>
        )}
        <span className="flex-1" />
        {work && (
          <Button
            onClick={() => {
              onWork(null);
              onClose();
            }}
          >
            As the lesson says: {workNames[planned]}
          </Button>
        )}
        <Button onClick={onClose}>Cancel</Button>
        <Button look="main" onClick={use}>
          {onePage && sure ? "Yes, one page for all" : "Use this"}
        </Button>
      </div>
    </div>
  );
}
