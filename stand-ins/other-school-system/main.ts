// PORT, FILE (where it keeps everything) and ISSUER (its own address) say how it runs.
import { serve } from "./server";
import { Store } from "./state";

const port = Number(process.env.PORT ?? 3010);
const issuer = process.env.ISSUER ?? `http://localhost:${port}`;
await serve(await Store.open(process.env.FILE ?? "other-school-system.json"), issuer, port);
console.log(`Quayside courses is at ${issuer}`);
