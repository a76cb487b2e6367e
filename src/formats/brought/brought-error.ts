/** Why a file cannot be brought in: what is wrong with it, and where. */
export class BroughtError extends Error {
  constructor(message: string) {
    super(message);
    this.name = "BroughtError";
  }
}
