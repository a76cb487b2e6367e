import { formatDay } from "@/core/calendar/format-moment";
import { studentReport } from "@/core/report/student-report";
import { underGoal } from "@/core/results/goal-tag";
import { studentsOf } from "@/data/classes/classes";
import { noteLook } from "@/data/keep/about-child";
import { studentData } from "@/server/results/student";
import { sendPdf } from "@/server/web/make-paper";
import { numberFrom, route } from "@/server/web/route";

export const GET = route(
  "see how a student is doing",
  (params) => ({ class: numberFrom(params, "class"), students: [numberFrom(params, "student")] }),
  async ({ db, visitor, now, params }) => {
    const id = numberFrom(params, "student");
    await noteLook(db, { student: id, by: visitor.id, what: "progress, as a PDF", at: now });
    const student = (await studentsOf(db, numberFrom(params, "class"))).find((one) => one.id === id)!;
    const { points, standards, goals } = await studentData(db, visitor, id, now);
    const report = studentReport(
      {
        ...{ points, standards, name: `${student.givenName} ${student.familyName}` },
        goals: goals.map((goal) => ({ ...goal, closed: goal.closed !== null, points: underGoal(points, goal) })),
      },
      {
        author: `${visitor.givenName} ${visitor.familyName}`,
        formatDay: (at) => formatDay(at, visitor.zone, now),
      },
    );
    return sendPdf(report, "student");
  },
);
