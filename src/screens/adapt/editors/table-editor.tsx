"use client";
import type { Block, BlockOf } from "@/core/resource/block";
import { Checkbox } from "@/ui/checkbox";
import { TextInput } from "@/ui/field";

/** A table, cell by cell. */
export function TableEditor({
  block,
  languages,
  onChange,
}: {
  block: BlockOf<"table">;
  languages: readonly string[];
  onChange: (block: Block, kind?: string) => void;
}) {
  const language = Object.keys(block.rows).find((one) => one === languages[0]) ?? Object.keys(block.rows)[0]!;
  const rows = block.rows[language]!;
  const put = (next: string[][], kind?: string) =>
    onChange({ ...block, rows: { ...block.rows, [language]: next } }, kind);
  return (
    <div className="overflow-x-auto">
      <table>
        <tbody>
          {rows.map((row, at) => (
            <tr key={at}>
              {row.map((text, nth) => (
                <td key={nth} className="p-0.5">
                  <TextInput
                    aria-label={`Row ${at + 1}, column ${nth + 1}`}
                    value={text}
                    maxLength={400}
                    className="!min-h-8 min-w-20 font-child"
                    onChange={(event) =>
                      put(
                        rows.map((old, r) =>
                          r === at ? old.map((cell, c) => (c === nth ? event.target.value : cell)) : old,
                        ),
                        `cell-${block.id}-${at}-${nth}`,
                      )
                    }
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-2 flex gap-4">
        <label className="flex items-center gap-2">
          <Checkbox
            label="The first row is a heading"
            checked={block.headerRow}
            onChange={(headerRow) => onChange({ ...block, headerRow })}
          />
          The first row is a heading
        </label>
        <label className="flex items-center gap-2">
          <Checkbox
            label="The first column is a heading"
            checked={block.headerColumn}
            onChange={(headerColumn) => onChange({ ...block, headerColumn })}
          />
          the first column too
        </label>
      </div>
      <div className="mt-1 flex gap-3 text-[13px] text-green underline">
        <button type="button" onClick={() => put([...rows, rows[0]!.map(() => "")])}>
          add a row
        </button>
        <button type="button" onClick={() => put(rows.map((row) => [...row, ""]))}>
          add a column
        </button>
        {rows.length > 1 && (
          <button type="button" onClick={() => put(rows.slice(0, -1))}>
            delete the last row
          </button>
        )}
        {rows[0]!.length > 1 && (
          <button type="button" onClick={() => put(rows.map((row) => row.slice(0, -1)))}>
            delete the last column
          </button>
        )}
      </div>
    </div>
  );
}
