/** The event of taking in a framework: before it the framework as it was, after it which one and when. */
export const frameworkTaken = "took in a framework";
export interface FrameworkTaken {
  framework: number;
  imported: string;
}
