import { readFile } from "node:fs/promises";
import path from "node:path";
import { savedName, type FileKind } from "@/core/hand-over/file-kinds";
import { documentReport } from "@/core/report/document-report";
import type { Report } from "@/core/report/report";
import { titleOf } from "@/core/resource/document";
import { writeCartridge, type CartridgeVersion } from "@/formats/cartridge/write-cartridge";
import { writeEpub } from "@/formats/epub/write-epub";
import { lrmi } from "@/formats/lrmi";
import { writeOnePage, type OnePageWords } from "@/formats/one-page/write-one-page";
import type { Outgoing, OutgoingFile, OutgoingResource } from "@/formats/outgoing";
import { writeQti } from "@/formats/qti/write-qti";
import type { QtiVersion } from "@/formats/qti/versions";
import { writeZip, type ZipEntry } from "@/formats/write-zip";
import { mediaOf } from "@/core/resource/stored-files";
import { catalogues } from "@/messages/catalogues";
import { chooseLanguage } from "@/messages/choose-language";
import { ActionError } from "../web/act";
import { makePaper } from "../web/make-paper";
import { asPictures } from "./as-picture";
import { bytesOf, type Gathered } from "./gather";

/** Pictures, sounds and films in one page together: above it, the rest stays out. */
const LARGEST_PAGE = 30_000_000;

const busy = () => new ActionError("fileNotMade");

const filesOf = ({ files }: Outgoing, { document }: OutgoingResource): Map<string, OutgoingFile> =>
  new Map(mediaOf(document).flatMap((reference) => (files.has(reference) ? [[reference, files.get(reference)!]] : [])));

async function reportOf(
  { outgoing, whole }: Gathered,
  resource: OutgoingResource,
  { forTeacher }: FileKind,
): Promise<Report> {
  return documentReport(forTeacher ? whole.get(resource.id)! : resource.document, {
    ...{ author: resource.author, forTeacher },
    pictures: await asPictures(filesOf(outgoing, resource).values()),
  });
}

function wordsOf(language: string): OnePageWords {
  const { question } = catalogues[chooseLanguage(undefined, language)];
  const { number, unit, gap, square, check, hint, right, partly, partlyOf, wrong, blank, toRead, awayFromPage } =
    question;
  return {
    ...{ number, unit, gap, square: square.replace("{square}", "").trim(), check, hint },
    ...{ right, partly, partlyOf, wrong, blank, toRead, awayFromPage },
  };
}

const checker = () =>
  readFile(path.join(/* turbopackIgnore: true */ process.cwd(), "worker", "built", "checker.js"), "utf8");

async function paper(report: Report, ending: string): Promise<Uint8Array> {
  const made = await makePaper(report, ending === "docx" || ending === "pptx" ? ending : "pdf");
  if (!made) throw busy();
  return made;
}

const inPieces = async function* (bytes: Uint8Array): AsyncGenerator<Uint8Array> {
  yield bytes;
};

/** One resource as a file of its own. */
async function single(
  gathered: Gathered,
  resource: OutgoingResource,
  kind: FileKind,
): Promise<AsyncGenerator<Uint8Array>> {
  const { outgoing } = gathered;
  const files = filesOf(outgoing, resource);
  switch (kind.ending) {
    case "epub":
      return writeEpub(resource, files, bytesOf);
    case "html": {
      // Marking needs what is right, so this is the whole document, in the order of the students'.
      const page = await writeOnePage(resource, files, bytesOf, {
        ...{ words: wordsOf(resource.document.languages[0]!), checker: await checker(), largest: LARGEST_PAGE },
      });
      return inPieces(new TextEncoder().encode(page));
    }
    default:
      return inPieces(await paper(await reportOf(gathered, resource, kind), kind.ending));
  }
}

/** Everything in one file. */
async function together(gathered: Gathered, kind: FileKind): Promise<AsyncGenerator<Uint8Array>> {
  const { outgoing } = gathered;
  const resources = outgoing.topics.flatMap((topic) => topic.resources);
  const [family, version] = kind.id.split("-");
  if (family === "cartridge") return writeCartridge(outgoing, version as CartridgeVersion, bytesOf);
  if (family === "qti") return writeQti(outgoing, version as QtiVersion, bytesOf);
  if (family === "lrmi") {
    const said = resources.map(({ document, author, address }) =>
      lrmi(document, { author, ...(address && { address }) }),
    );
    return inPieces(new TextEncoder().encode(`${JSON.stringify(said.length === 1 ? said[0] : said, null, 1)}\n`));
  }
  const reports = [];
  for (const resource of resources) reports.push(await reportOf(gathered, resource, kind));
  return inPieces(
    await paper(
      { ...reports[0]!, title: outgoing.title, sections: reports.flatMap(({ sections }) => sections) },
      kind.ending,
    ),
  );
}

async function* oneEach(
  gathered: Gathered,
  kind: FileKind,
  resources: readonly OutgoingResource[],
): AsyncGenerator<ZipEntry> {
  for (const [at, resource] of resources.entries()) {
    const pieces: Uint8Array[] = [];
    for await (const piece of await single(gathered, resource, kind)) pieces.push(piece);
    yield {
      name: `${String(at + 1).padStart(2, "0")}-${savedName(titleOf(resource.document))}.${kind.ending}`,
      ...{ bytes: Uint8Array.from(Buffer.concat(pieces)), packed: kind.ending === "html" },
    };
  }
}

/**
 * What was gathered as a file of this kind, piece by piece.
 * @throws ActionError when there is nothing in it that could go out
 */
export async function writeFileOf(
  gathered: Gathered,
  kind: FileKind,
): Promise<{ pieces: AsyncGenerator<Uint8Array>; ending: string; mime: string }> {
  const { outgoing } = gathered;
  const resources = outgoing.topics.flatMap((topic) => topic.resources);
  if (resources.length === 0) throw new ActionError("nothingToSave");
  if (kind.holdsAll) return { pieces: await together(gathered, kind), ending: kind.ending, mime: kind.mime };
  if (resources.length === 1)
    return { pieces: await single(gathered, resources[0]!, kind), ending: kind.ending, mime: kind.mime };
  return { pieces: writeZip(oneEach(gathered, kind, resources)), ending: "zip", mime: "application/zip" };
}
