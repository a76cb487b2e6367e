import type { GradeSpan } from "../resource/document";

/** K for kindergarten (0), else the number. */
export function gradeName(grade: number): string {
  return grade === 0 ? "K" : String(grade);
}

export function sayGradeSpan(span: GradeSpan): string {
  return span.from === span.to ? gradeName(span.from) : `${gradeName(span.from)}–${gradeName(span.to)}`;
}
