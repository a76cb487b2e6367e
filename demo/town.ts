import type { Document } from "@/core/resource/document";

/** What was put into the database so far, by the names the demo's files use. */
export interface Town {
  district: number;
  schools: Map<string, number>;
  zone: string;
  people: Map<string, number>;
  classes: Map<string, { id: number; school: number; lead: number; students: number[] }>;
}

/** A lesson that was put in. */
export interface Lesson {
  id: number;
  revision: number;
  document: Document;
  author: string;
}
