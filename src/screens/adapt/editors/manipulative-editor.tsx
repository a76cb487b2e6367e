"use client";
import { readTime } from "@/core/calendar/typed-date";
import { TimeInput } from "@/screens/when/typed-input";
import { ImagePlus } from "lucide-react";
import { currencies, currencyName, inWhole, piecesFrom, piecesOf } from "@/core/manipulative/coins";
import {
  manipulativeNames,
  newManipulative,
  type ManipulativeName,
  type ManipulativeOf,
} from "@/core/manipulative/manipulative";
import { Manipulative } from "@/core/manipulative/schema";
import { inLanguage } from "@/core/content/language";
import { parseNumber } from "@/core/scoring/number";
import { Button } from "@/ui/button";
import { Field, inputClasses, TextInput } from "@/ui/field";
import { Segmented } from "@/ui/segmented";
import { useFile } from "@/screens/media/use-file";
import { ManipulativeView } from "@/screens/step/manipulative/manipulative-view";
import { toolNames } from "@/screens/step/manipulative/tool-names";
import { AxisFields } from "./axis-fields";
import { NumberBox } from "./number-box";
import { PictureDescription } from "../media/picture-description";

type OnTool = (tool: Manipulative, kind?: string) => void;

/** A list of numbers typed with spaces or commas between them; what cannot be read is shown as wrong and not taken over. */
function NumberList({
  label,
  values,
  onValues,
}: {
  label: string;
  values: readonly number[];
  onValues: (values: number[]) => boolean;
}) {
  return (
    <Field label={label} className="min-w-52 flex-1">
      {(control) => (
        <TextInput
          {...control}
          key={values.join()}
          defaultValue={values.join("  ")}
          onBlur={(event) => {
            const read = event.target.value
              .split(/[\s;]+/)
              .filter(Boolean)
              .map((one) => parseNumber(one));
            const good = read.length > 0 && read.every((one) => one !== null) && onValues(read as number[]);
            event.target.setAttribute("aria-invalid", String(!good));
          }}
        />
      )}
    </Field>
  );
}

const minutesOf = (time: string) => Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5));
const timeOf = (minutes: number) =>
  `${String(Math.floor(minutes / 60)).padStart(2, "0")}:${String(minutes % 60).padStart(2, "0")}`;

function UnitField({ unit, onUnit }: { unit: string; onUnit: (unit: string) => void }) {
  return (
    <Field label="Unit" className="w-20">
      {(control) => (
        <TextInput {...control} maxLength={20} value={unit} onChange={(event) => onUnit(event.target.value)} />
      )}
    </Field>
  );
}

function RulerFields({
  tool,
  languages,
  onTool,
}: {
  tool: ManipulativeOf<"ruler">;
  languages: readonly string[];
  onTool: OnTool;
}) {
  const picture = useFile({ onFile: (media) => onTool({ ...tool, media }) });
  return (
    <div className="grid gap-3">
      <div className="flex flex-wrap items-end gap-3">
        <Segmented
          label="What to measure"
          value={tool.measure}
          onChange={(measure) => onTool({ ...tool, measure })}
          options={[
            { value: "length", text: "a length" },
            { value: "angle", text: "an angle" },
          ]}
        />
        {tool.measure === "length" && (
          <>
            <Field label="How wide the real thing is" className="w-52">
              {(control) => (
                <NumberBox
                  {...control}
                  least={0.001}
                  most={1_000_000}
                  value={tool.width}
                  onNumber={(width) => onTool({ ...tool, width }, "tool-width")}
                />
              )}
            </Field>
            <UnitField unit={tool.unit} onUnit={(unit) => onTool({ ...tool, unit }, "tool-unit")} />
          </>
        )}
        {picture.input}
        <Button size="small" onClick={picture.choose}>
          <ImagePlus size={15} aria-hidden /> Another picture
        </Button>
      </div>
      <PictureDescription
        value={tool.description}
        language={languages[0]!}
        onText={(description) => onTool({ ...tool, description }, "tool-description")}
      />
    </div>
  );
}

function Fields({ tool, languages, onTool }: { tool: Manipulative; languages: readonly string[]; onTool: OnTool }) {
  const language = languages[0]!;
  switch (tool.tool) {
    case "number line":
      return <AxisFields name="" axis={tool.axis} onAxis={(axis, kind) => onTool({ ...tool, axis }, kind)} />;
    case "bars":
      return (
        <NumberList
          label="Parts of each bar (1 to 24; up to 4 bars)"
          values={tool.parts}
          onValues={(parts) => taken({ ...tool, parts }, onTool)}
        />
      );
    case "base ten":
      return (
        <Segmented
          label="Up to"
          value={String(tool.places)}
          onChange={(places) => onTool({ ...tool, places: Number(places) })}
          options={[
            { value: "2", text: "tens" },
            { value: "3", text: "hundreds" },
            { value: "4", text: "thousands" },
          ]}
        />
      );
    case "clock":
      return (
        <div className="flex gap-3">
          {(["from", "to"] as const).map((which) => (
            <Field key={which} label={which === "from" ? "From" : "The clock to turn begins at"} className="w-44">
              {(control) => (
                <TimeInput
                  {...control}
                  value={timeOf(tool[which])}
                  onChange={(value) =>
                    readTime(value) && onTool({ ...tool, [which]: minutesOf(value) }, `tool-${which}`)
                  }
                />
              )}
            </Field>
          ))}
        </div>
      );
    case "balance":
      return (
        <div className="flex flex-wrap items-end gap-3">
          <Field label="On the left pan" className="w-36">
            {(control) => (
              <TextInput
                {...control}
                maxLength={40}
                value={inLanguage(tool.left[0]!.name, languages) ?? ""}
                onChange={(event) =>
                  onTool(
                    {
                      ...tool,
                      left: tool.left.with(0, {
                        ...tool.left[0]!,
                        name: { ...tool.left[0]!.name, [language]: event.target.value },
                      }),
                    },
                    "tool-name",
                  )
                }
              />
            )}
          </Field>
          <Field label="Its weight" className="w-24">
            {(control) => (
              <NumberBox
                {...control}
                least={0.001}
                most={1_000_000}
                value={tool.left[0]!.weight}
                onNumber={(weight) =>
                  onTool({ ...tool, left: tool.left.with(0, { ...tool.left[0]!, weight }) }, "tool-weight")
                }
              />
            )}
          </Field>
          <UnitField unit={tool.unit} onUnit={(unit) => onTool({ ...tool, unit }, "tool-unit")} />
          <NumberList
            label="Weights to use (up to 8)"
            values={tool.weights}
            onValues={(weights) => taken({ ...tool, weights }, onTool)}
          />
        </div>
      );
    case "graph reader":
      return (
        <div className="grid gap-3">
          <AxisFields name="across" axis={tool.x} onAxis={(x, kind) => onTool({ ...tool, x }, kind)} />
          <AxisFields name="up" axis={tool.y} onAxis={(y, kind) => onTool({ ...tool, y }, kind)} />
          <div className="flex flex-wrap items-end gap-3">
            <NumberList
              label="Points from left to right: across, up, across, up …"
              values={tool.points.flat()}
              onValues={(flat) =>
                flat.length % 2 === 0 &&
                taken(
                  {
                    ...tool,
                    points: flat.flatMap((x, at) => (at % 2 === 0 ? [[x, flat[at + 1]!] as [number, number]] : [])),
                  },
                  onTool,
                )
              }
            />
            <Segmented
              label="Between two points"
              value={tool.curve}
              onChange={(curve) => onTool({ ...tool, curve })}
              options={[
                { value: "straight", text: "a straight line" },
                { value: "tide", text: "a tide's curve" },
              ]}
            />
          </div>
        </div>
      );
    case "coins":
      return (
        <div className="flex flex-wrap gap-3">
          <Field label="Currency" className="w-56">
            {(control) => (
              <select
                {...control}
                className={inputClasses}
                value={tool.currency}
                onChange={(event) => onTool({ tool: "coins", currency: event.target.value })}
              >
                {currencies().map((currency) => (
                  <option key={currency} value={currency}>
                    {currencyName(currency, language)}
                  </option>
                ))}
              </select>
            )}
          </Field>
          <NumberList
            label="Coins and notes"
            values={piecesOf(tool.currency, tool.pieces).map(({ worth }) => inWhole(worth, tool.currency))}
            onValues={(values) => {
              const pieces = piecesFrom(values, tool.currency);
              return pieces !== null && taken({ ...tool, pieces }, onTool);
            }}
          />
        </div>
      );
    case "ruler":
      return <RulerFields tool={tool} languages={languages} onTool={onTool} />;
  }
}

/** Takes over what is whole and right; says whether it was. */
function taken(tool: Manipulative, onTool: OnTool): boolean {
  const good = Manipulative.safeParse(tool);
  if (good.success) onTool(good.data);
  return good.success;
}

/** How one is set up, and below it itself, to try. */
export function ManipulativeEditor({
  tool,
  languages,
  onTool,
}: {
  tool: Manipulative;
  languages: readonly string[];
  onTool: OnTool;
}) {
  return (
    <div className="grid gap-4">
      <Fields tool={tool} languages={languages} onTool={onTool} />
      <div className="font-child">
        <ManipulativeView tool={tool} languages={languages} />
      </div>
    </div>
  );
}

/** What a number is found with: nothing, or one of them. */
export function ToolChoice({
  tool,
  languages,
  onTool,
}: {
  tool: Manipulative | undefined;
  languages: readonly string[];
  onTool: (tool: Manipulative | undefined, kind?: string) => void;
}) {
  return (
    <div className="grid gap-3">
      <Field label="Found with" className="w-56">
        {(control) => (
          <select
            {...control}
            className={inputClasses}
            value={tool?.tool ?? ""}
            onChange={(event) =>
              onTool(
                event.target.value ? newManipulative(event.target.value as ManipulativeName, languages[0]!) : undefined,
              )
            }
          >
            <option value="">only the head</option>
            {manipulativeNames.map((name) => (
              <option key={name} value={name}>
                {toolNames[name]}
              </option>
            ))}
          </select>
        )}
      </Field>
      {tool && <ManipulativeEditor tool={tool} languages={languages} onTool={onTool} />}
    </div>
  );
}
