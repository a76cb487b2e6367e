import type { GradeSpan } from "@/core/resource/document";
import type { Framework, StandardOffer, TreeNode } from "@/data/find/standards";

type Asked =
  | { ask: "like"; words: string[]; grades: GradeSpan }
  | { ask: "named"; named: { framework: string; code: string }[] }
  | { ask: "tree"; framework: number | null; named: string[] };
export interface Tree {
  frameworks: Framework[];
  chosen: number | null;
  tree: TreeNode[];
}

/** What the server knows of standards; null when it did not answer, or was not waited for. */
export async function askStandards(
  resource: number,
  asked: Asked,
  signal?: AbortSignal,
): Promise<{ offers: StandardOffer[] } | Tree | null> {
  try {
    const response = await fetch(`/adapt/${resource}/standards`, {
      method: "POST",
      body: JSON.stringify(asked),
      ...(signal && { signal }),
    });
    return response.ok ? ((await response.json()) as { offers: StandardOffer[] } | Tree) : null;
  } catch {
    return null;
  }
}
