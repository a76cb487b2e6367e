import { idsFrom } from "@/core/ids";
import { lettersReport } from "@/core/report/letters-report";
import { resultLetter } from "@/core/results/family-letter";
import { formatLetterDate, readLetterParts } from "@/core/results/letter-parts";
import { classById, studentsOf } from "@/data/classes/classes";
import { lettersAboutResults } from "@/server/classes/letters";
import { familyLetters } from "@/server/results/family-letters";
import { homeActivities } from "@/server/results/home-activities";
import { sendPdf } from "@/server/web/make-paper";
import { numberFrom, route } from "@/server/web/route";

export const GET = route(
  "see class",
  (params) => ({ class: numberFrom(params, "class") }),
  async ({ db, visitor, now, params, request }) => {
    const id = numberFrom(params, "class");
    const said = new URL(request.url).searchParams;
    const [group, students] = await Promise.all([classById(db, id), studentsOf(db, id)]);
    const asked = idsFrom(said.get("students") ?? undefined);
    const chosen = students.filter((student) => asked.length === 0 || asked.includes(student.id));
    const parts = readLetterParts(said.get("include"));
    const home = (await homeActivities(db, id)).find(({ resource }) => String(resource) === said.get("home")) ?? null;
    const letters = (await familyLetters(db, visitor, group!, chosen, now)).map(
      ({ name, results, familyLanguage }) => ({
        name,
        letter: resultLetter(lettersAboutResults(), results, parts, familyLanguage, formatLetterDate, home),
      }),
    );
    const title = `Letters about results, ${group!.name}`;
    const teacher = `${visitor.givenName} ${visitor.familyName}`;
    return sendPdf(lettersReport(letters, { title, school: visitor.schoolName ?? "", teacher }), "letters");
  },
);
