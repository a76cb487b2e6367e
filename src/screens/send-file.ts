/** Sends a file by itself, not as part of a form; what came of it, or what is wrong with it. `kept`: what is true when it did not arrive. */
export async function sendFile<Answer>(
  address: string,
  file: File,
  kept: string,
): Promise<{ answer: Answer } | { problem: string }> {
  const response = await fetch(address, { method: "POST", body: file }).catch(() => null);
  if (!response) return { problem: `There is no network. ${kept}` };
  const said = (await response.json().catch(() => ({}))) as Answer & { problem?: string };
  return response.ok ? { answer: said } : { problem: said.problem ?? `Something went wrong. ${kept}` };
}
