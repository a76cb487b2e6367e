import { Field, TextInput } from "@/ui/field";

/** What a picture shows, for those who do not see it. */
export function PictureDescription({
  value,
  language,
  onText,
}: {
  value: Record<string, string> | undefined;
  language: string;
  onText: (description: Record<string, string>) => void;
}) {
  return (
    <Field label="Description, for anyone who cannot see it">
      {(control) => (
        <TextInput
          {...control}
          maxLength={1000}
          value={value?.[language] ?? ""}
          onChange={(event) => onText({ ...value, [language]: event.target.value })}
        />
      )}
    </Field>
  );
}
