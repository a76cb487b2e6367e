import { versionLabel } from "./version-label";

test.each([
  ["Reading a tide table, short", "short"],
  ["Reading a tide table for the harbour master", "for the harbour master"],
  ["Reading a tide table (in pairs)", "in pairs"],
  ["Reading a tide table", "Reading a tide table"],
  ["Reading poems", "Reading poems"],
  ["La tabla de mareas", "La tabla de mareas"],
])("“%s” beside “Reading a tide table” is “%s”", (title, label) => {
  expect(versionLabel(title, "Reading a tide table")).toBe(label);
});
