// One statement with parameters as one message to the engine. The library's own `query` sends six (parse, describe, bind,
// describe, execute, sync) and learns the parameters' types on the way; here everything is sent as text, whose type the
// engine works out itself. A statement asked a second time is kept prepared.
import { protocol, types } from "@electric-sql/pglite";

const { serialize } = protocol;

const MOST_PREPARED = 200;
const PLAN_NO_LONGER_FITS = "0A000";

function joined(messages) {
  const whole = new Uint8Array(messages.reduce((sum, message) => sum + message.length, 0));
  let at = 0;
  for (const message of messages) {
    whole.set(message, at);
    at += message.length;
  }
  return whole;
}

function elementText(value) {
  if (value === null || value === undefined) return "null";
  if (Array.isArray(value)) return arrayText(value);
  const text = parameterText(value);
  return typeof value === "number" ? text : `"${text.replace(/[\\"]/g, "\\$&")}"`;
}

const arrayText = (values) => `{${values.map(elementText).join(",")}}`;

/** A parameter as PostgreSQL reads it from text. */
export function parameterText(value) {
  if (value === null || value === undefined) return null;
  if (Array.isArray(value)) return arrayText(value);
  if (value instanceof Date) return value.toISOString();
  if (value instanceof Uint8Array) return `\\x${Buffer.from(value).toString("hex")}`;
  return typeof value === "object" ? JSON.stringify(value) : String(value);
}

/** Sends statements to one database, one after another: the caller keeps them from overlapping. */
export class Statements {
  // By text: asked once (null), or prepared under a name; the longest unused first.
  #known = new Map();
  #made = 0;

  constructor(db) {
    this.db = db;
  }

  async query(text, parameters = []) {
    const values = parameters.map(parameterText);
    const name = await this.#prepared(text);
    try {
      return await this.#run(name ? [] : [serialize.parse({ text })], name, values);
    } catch (error) {
      if (!name || error.code !== PLAN_NO_LONGER_FITS) throw error;
      // A table it reads was changed since: said anew it fits again.
      await this.#forget(text, name);
      return this.#run([serialize.parse({ text })], "", values);
    }
  }

  async #prepared(text) {
    const seen = this.#known.has(text);
    let name = this.#known.get(text) ?? "";
    this.#known.delete(text);
    if (seen && !name) {
      name = `s${(this.#made += 1)}`;
      await this.db.execProtocol(joined([serialize.parse({ name, text }), serialize.sync()]));
    }
    this.#known.set(text, name);
    if (this.#known.size > MOST_PREPARED) {
      const [oldest, its] = this.#known.entries().next().value;
      await this.#forget(oldest, its);
    }
    return name;
  }

  async #forget(text, name) {
    this.#known.delete(text);
    if (name) await this.db.execProtocol(joined([serialize.close({ type: "S", name }), serialize.sync()]));
  }

  async #run(before, name, values) {
    const { messages } = await this.db.execProtocol(
      joined([
        ...before,
        serialize.bind({ statement: name, values }),
        serialize.describe({ type: "P" }),
        serialize.execute({}),
        serialize.sync(),
      ]),
    );
    const fields = messages.find((message) => message.name === "rowDescription")?.fields ?? [];
    return messages
      .filter((message) => message.name === "dataRow")
      .map((row) =>
        Object.fromEntries(
          fields.map(({ name: column, dataTypeID }, at) => [
            column,
            types.parseType(row.fields[at], dataTypeID, this.db.parsers),
          ]),
        ),
      );
  }
}
