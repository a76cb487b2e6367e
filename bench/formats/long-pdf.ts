// Writes a PDF of this many pages into a file, in a process of its own: what that takes is not what reading it takes.
import { writeFileSync } from "node:fs";
import { documentReport } from "@/core/report/document-report";
import { writePdf } from "@/formats/pdf/write-pdf";
import { everythingLesson } from "@/formats/testing/outgoing";

const [pages, file] = process.argv.slice(2);
const report = documentReport(everythingLesson(), { author: "Ines Halloran", forTeacher: true, pictures: new Map() });
const [section] = report.sections.slice(1);
const sections = Array.from({ length: Number(pages) }, () => ({ ...section!, goesOn: false }));
writeFileSync(file!, await writePdf({ ...report, sections }));
