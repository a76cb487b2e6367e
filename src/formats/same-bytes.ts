import { strFromU8, unzipSync } from "fflate";
import { zipBytes } from "./write-zip";

/** Office files say when they were made; the same content is the same bytes, so this is always said. */
const WHEN = "2020-01-01T12:00:00Z";

/** A zip that another program has written, with one time for all its files and in what it says about itself. */
export async function sameBytes(zip: Uint8Array): Promise<Uint8Array> {
  return zipBytes(
    Object.entries(unzipSync(zip))
      .filter(([name]) => !name.endsWith("/"))
      .map(([name, bytes]) => ({
        name,
        bytes:
          name === "docProps/core.xml"
            ? strFromU8(bytes).replace(/(<dcterms:(?:created|modified)[^>]*>)[^<]*/g, `$1${WHEN}`)
            : bytes,
        packed: !/\.(?:png|jpe?g)$/.test(name),
      })),
  );
}
