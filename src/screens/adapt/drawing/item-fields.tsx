"use client";
import { clsx } from "clsx";
import { RadioGroup } from "radix-ui";
import { turns, type DrawnItem } from "@/core/drawing/drawing";
import { fills } from "@/core/drawing/vocabulary";
import { inks } from "@/core/content/vocabulary";
import { Checkbox } from "@/ui/checkbox";
import { Field, inputClasses } from "@/ui/field";
import { Segmented } from "@/ui/segmented";
import { fillColours, inkColours } from "@/screens/step/drawn";
import { NumberBox } from "../editors/number-box";

function Swatches<Name extends string>({
  label,
  value,
  colours,
  onChange,
}: {
  label: string;
  value: Name;
  colours: Record<Name, string>;
  onChange: (name: Name) => void;
}) {
  return (
    <div className="flex items-center gap-1.5">
      <span className="text-[13px] text-ink-soft">{label}</span>
      <RadioGroup.Root
        aria-label={label}
        value={value}
        onValueChange={(name) => onChange(name as Name)}
        orientation="horizontal"
        className="flex gap-1"
      >
        {(Object.keys(colours) as Name[]).map((name) => (
          <RadioGroup.Item
            key={name}
            value={name}
            aria-label={name}
            title={name}
            className={clsx(
              "grid h-8 w-8 place-items-center rounded-card border-2",
              name === value ? "border-green" : "border-transparent hover:border-line",
            )}
          >
            <span
              className="h-5 w-5 rounded-full border border-line-strong"
              style={
                colours[name] === "none"
                  ? { background: "linear-gradient(135deg, #fff 46%, #a8482b 46% 54%, #fff 54%)" }
                  : { background: colours[name] }
              }
            />
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
    </div>
  );
}

const thicknesses = { thin: 3, middle: 5, thick: 10, "very thick": 18 } as const;
type Thickness = keyof typeof thicknesses;

/** What the chosen thing looks like. */
export function ItemFields({
  item,
  language,
  onItem,
}: {
  item: DrawnItem;
  language: string;
  onItem: (item: DrawnItem, kind: string) => void;
}) {
  const thick = "thick" in item ? item.thick : null;
  return (
    <div className="flex flex-wrap items-end gap-x-4 gap-y-2 rounded-card bg-shade/60 p-2">
      {item.type === "words" && (
        <Field label="What it says" className="w-full">
          {(control) => (
            <textarea
              {...control}
              rows={2}
              maxLength={400}
              value={item.text[language] ?? ""}
              className={`${inputClasses} h-auto py-1.5 font-child`}
              onChange={(event) => onItem({ ...item, text: { ...item.text, [language]: event.target.value } }, "says")}
            />
          )}
        </Field>
      )}
      <Swatches
        label="Ink"
        value={item.ink}
        colours={Object.fromEntries(inks.map((ink) => [ink, inkColours[ink]])) as typeof inkColours}
        onChange={(ink) => onItem({ ...item, ink }, "ink")}
      />
      {item.type === "shape" && (
        <Swatches
          label="Inside"
          value={item.fill}
          colours={Object.fromEntries(fills.map((fill) => [fill, fillColours[fill]])) as typeof fillColours}
          onChange={(fill) => onItem({ ...item, fill }, "fill")}
        />
      )}
      {thick !== null && (
        <Segmented
          label="Thickness"
          value={(Object.keys(thicknesses) as Thickness[]).find((one) => thicknesses[one] === thick) ?? "middle"}
          options={(Object.keys(thicknesses) as Thickness[]).map((value) => ({ value, text: value }))}
          onChange={(value) => onItem({ ...item, thick: thicknesses[value] } as DrawnItem, "thick")}
        />
      )}
      {item.type === "line" && (
        <>
          <Segmented
            label="Heads"
            value={item.heads}
            options={[
              { value: "none", text: "no head" },
              { value: "end", text: "one head" },
              { value: "both", text: "two heads" },
            ]}
            onChange={(heads) => onItem({ ...item, heads }, "heads")}
          />
          <label className="flex h-8 items-center gap-2">
            <Checkbox
              label="dashed"
              checked={item.dashed}
              onChange={(dashed) => onItem({ ...item, dashed }, "dashed")}
            />{" "}
            dashed
          </label>
        </>
      )}
      {item.type === "words" && (
        <Field label="Size" className="w-24">
          {(control) => (
            <NumberBox
              {...control}
              least={12}
              most={200}
              value={item.size}
              onNumber={(size) => onItem({ ...item, size }, "size")}
            />
          )}
        </Field>
      )}
      {turns(item) && (
        <Field label="Turned by (degrees)" className="w-36">
          {(control) => (
            <NumberBox
              {...control}
              least={-360}
              most={360}
              value={item.turn}
              onNumber={(turn) => onItem({ ...item, turn }, "turn")}
            />
          )}
        </Field>
      )}
    </div>
  );
}
