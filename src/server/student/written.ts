import { stringify } from "devalue";

/** An answer whose days stay days and whose gaps stay gaps on the other side, see screens/use-answer. */
export const written = (value: unknown): Response =>
  new Response(stringify(value), { headers: { "content-type": "application/json" } });
